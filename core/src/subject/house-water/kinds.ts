import { addBackflow } from '../../edit/hand-tap.js';
import { type Kinds, places } from '../kind.js';
import type { Rule } from '../rule.js';
import { openWays } from './house-water.js';

export type HouseWaterCode = 'house-chemical' | 'house-direct' | 'house-drowned' | 'house-device';

/** Chemicals take a reduced pressure device; one that is there already becomes it. */
const preventer: Rule = (finding, rig) => {
  const way = openWays(rig).find((w) => w.line.id === finding.subject.id);
  const device = way?.chemical ? 'reduced-pressure' : 'double-check';
  return [
    {
      id: device,
      title: device === 'reduced-pressure' ? 'A reduced pressure backflow preventer' : 'A double check backflow preventer',
      change: (d) => addBackflow(d, finding.subject.id, device),
    },
  ];
};

export const HOUSE_WATER_KINDS: Kinds<HouseWaterCode> = {
  'house-chemical': { figure: places('house-chemical'), rules: preventer },
  'house-direct': { figure: places('house-direct'), rules: preventer },
  'house-drowned': { figure: places('house-drowned'), rules: preventer, minor: true },
  'house-device': { figure: places('house-device'), rules: preventer, minor: true },
};
