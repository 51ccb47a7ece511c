import { addBackflow } from '../../edit/hand-tap.js';
import { type Kinds, places } from '../kind.js';
import type { Rule } from '../rule.js';

export type HouseWaterCode = 'house-chemical' | 'house-direct' | 'house-drowned';

const preventer: Rule = (finding) => [{ id: 'preventer', title: 'Add a backflow preventer', change: (d) => addBackflow(d, finding.subject.id) }];

export const HOUSE_WATER_KINDS: Kinds<HouseWaterCode> = {
  'house-chemical': { figure: places('house-chemical'), rules: preventer },
  'house-direct': { figure: places('house-direct'), rules: preventer },
  'house-drowned': { figure: places('house-drowned'), rules: preventer, minor: true },
};
