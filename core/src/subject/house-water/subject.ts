import { message } from '../../working/figure.js';
import type { Finding } from '../finding.js';
import type { Subject } from '../subject.js';
import { type OpenWay, openWays } from './house-water.js';
import { HOUSE_WATER_KINDS, type HouseWaterCode } from './kinds.js';

const STATION = { 'chemical-tank': 'fill', 'water-tank': 'fill', machine: 'feed', mix: 'mix' } as const;

function findingOf({ line, to, name, chemical, held }: OpenWay): Finding {
  const base = { station: STATION[to], subject: { kind: 'line', id: line.id } } as const;
  if (held === 'unsaid')
    return {
      ...base,
      code: 'house-device',
      verdict: 'tight',
      message: message('Which backflow preventer is on the way to {name}? Chemicals take a reduced pressure device, or an air gap.', { name }),
    };
  if (held === 'weak' && !chemical)
    return {
      ...base,
      code: 'house-device',
      verdict: 'tight',
      message: message('The vacuum breaker on the way to {name} is under pressure all day: a valve or a pump comes after it. It takes a double check.', {
        name,
      }),
    };
  if (held === 'weak')
    return {
      ...base,
      code: 'house-chemical',
      verdict: 'stop',
      message: message('The backflow preventer on the way to {name} isn’t made for chemicals. It takes a reduced pressure device, or an air gap.', { name }),
    };
  if (chemical)
    return {
      ...base,
      code: 'house-chemical',
      verdict: 'stop',
      message: message(
        to === 'machine'
          ? 'Chemical can siphon from {name} into the customer’s drinking water: nothing stops it. Add the backflow preventer local code asks for.'
          : 'Nothing keeps {name} out of the customer’s drinking water. Use an air gap, or the backflow preventer local code asks for with chemicals.',
        { name },
      ),
    };
  if (to === 'machine')
    return {
      ...base,
      code: 'house-direct',
      verdict: 'tight',
      message: message('{name} runs straight off the ‹spigot› without a backflow preventer. Most plumbing codes ask for one.', { name }),
    };
  return {
    ...base,
    code: 'house-drowned',
    verdict: 'tight',
    message: message('The fill of {name} ends under water with no backflow preventer: if street pressure drops, the tank siphons back.', { name }),
  };
}

/** Whether the customer's drinking water is safe from the rig. */
export const HOUSE_WATER: Subject<object, object, HouseWaterCode> = {
  name: 'house water',
  scale: 'practice',
  kinds: HOUSE_WATER_KINDS,
  reads: ['tanks', 'machines', 'mixes', 'lines', 'liquids'],
  assess: () => ({}),
  findings: ({ rig }) => openWays(rig).map(findingOf),
};
