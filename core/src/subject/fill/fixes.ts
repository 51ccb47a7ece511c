import { takePart } from '../../catalogue/items.js';
import { nextAmong } from '../../edit/id.js';
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

/** A float valve at the tank, in the size that is next on the shelf. */
export const floatRules: Rule = (finding, rig): Candidate[] => {
  const wide = (rig.lines.find((l) => l.id === finding.subject.id)?.parts.at(-1)?.bore ?? 0) > 0.02;
  return [
    {
      id: 'float',
      title: 'Add a float valve',
      change: (d) => {
        const line = d.lines.find((l) => l.id === finding.subject.id)!;
        line.parts.push(takePart(wide ? 'float-valve-1' : 'float-valve-34', nextAmong(line.parts, 'part-')));
      },
    },
  ];
};
