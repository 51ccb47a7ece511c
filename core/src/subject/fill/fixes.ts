import { addBackflow, widerHoses, widerTaps } from '../../edit/hand-tap.js';
import type { RigDocument } from '../../rig/schema.js';
import type { Candidate, Rule } from '../rule.js';

/** A wider hand hose, a wider supply hose. */
export const handRules: Rule = (finding): Candidate[] => [
  { id: 'hand-hose', title: 'A hand hose one size wider', change: (d) => widerTaps(d, finding.subject.id) },
  { id: 'supply', title: 'A supply hose one size wider', change: (d: RigDocument) => widerHoses(d, finding.subject.id) },
];

export const guardRules: Rule = (finding): Candidate[] => [
  { id: 'backflow', title: 'A backflow preventer before it', change: (d) => addBackflow(d, finding.subject.id) },
];
