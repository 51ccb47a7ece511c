import type { Rig } from '../../rig/schema.js';
import { when } from '../caution.js';
import type { Caution } from '../finding.js';

/** Where chemicals are kept and carried. */
export const liquidCautions = (rig: Rig): readonly Caution[] => [
  ...when(
    rig.liquids.length > 0,
    {
      key: 'eyes-and-lungs',
      station: 'liquids',
      text: 'Wear goggles, long gloves and a fit-tested respirator with the cartridges the SDS names. Carry clean rinse water and an eye wash. In the eyes: rinse 15 minutes, get medical help, bring the SDS. SDS first aid comes before anything here.',
    },
    {
      key: 'regulated-freight',
      station: 'liquids',
      text: 'Corrosives on the road may be regulated freight: local rules set amounts, labels, papers and ventilation. Keep the load space ventilated.',
    },
  ),
  ...when(rig.liquids.length > 0 && rig.tanks.some((t) => t.holds !== undefined), {
    key: 'chemical-filling',
    station: 'tanks',
    text: 'Fill chemical tanks by gravity or a closed transfer coupling, never overhead. Know where the containment drains before you need it.',
  }),
];
