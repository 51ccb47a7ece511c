import type { Rig } from '../../rig/schema.js';
import { when } from '../caution.js';
import type { Caution } from '../finding.js';

/** Where chemicals are kept and carried. */
export const liquidCautions = (rig: Rig): readonly Caution[] => [
  ...when(
    rig.liquids.length > 0,
    {
      station: 'liquids',
      text: 'Goggles, long gloves and a fitting respirator; clean rinse water and an eye wash on board. In the eyes: rinse for a quarter of an hour and see a doctor, with the data sheet in hand. The data sheet’s first-aid section comes before anything here.',
    },
    {
      station: 'liquids',
      text: 'Corrosives on the road may be regulated freight: amounts, labels, papers and ventilation are for local rules to say. Keep the load space aired.',
    },
  ),
  ...when(rig.liquids.length > 0 && rig.tanks.some((t) => t.holds !== undefined), {
    station: 'tanks',
    text: 'A chemical tank is filled by gravity or a closed coupling, never over the head. Know where its bund drains to before it is needed.',
  }),
];
