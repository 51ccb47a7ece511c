import { takePart } from '../../catalogue/items.js';
import { nextAmong } from '../../edit/id.js';
import type { RigDocument } from '../../rig/schema.js';
import { type Kinds, places } from '../kind.js';
import type { Rule } from '../rule.js';

export type CrossingCode = 'cross-tie' | 'cross-pumped' | 'cross-return' | 'cross-siphon' | 'stock-thinned' | 'dump-chemical';

const lineOf = (d: RigDocument, id: string): RigDocument['lines'][number] | undefined => d.lines.find((l) => l.id === id);

const off: Rule = (finding) => [
  { id: 'shut', title: 'Shut that line', change: (d) => void (lineOf(d, finding.subject.id)!.closed = true) },
  { id: 'off', title: 'Take that line off', change: (d) => void (d.lines = d.lines.filter((l) => l.id !== finding.subject.id)) },
];

/** A check valve of the line's own bore, after its hoses. */
const check: Rule = (finding, _rig, doc) => {
  const bore = lineOf(doc, finding.subject.id)?.parts.at(-1)?.bore;
  if (bore === undefined) return [];
  return [
    {
      id: 'check',
      title: 'Add a check valve',
      change: (d) => {
        const line = lineOf(d, finding.subject.id)!;
        line.parts.push(takePart('check-valve-12', nextAmong(line.parts, 'part-'), { bore }));
      },
    },
  ];
};

/** A washer's return led back to the tank of water that it draws from. */
const back: Rule = (finding, _rig, doc) => {
  const line = lineOf(doc, finding.subject.id);
  const feed = doc.lines.find((l) => (l.role === 'feed' || l.role === 'boost') && !l.closed && l.to.id === line?.from.id && l.from.at === 'tank');
  if (!feed) return [];
  return [
    {
      id: 'back',
      title: 'Lead it back to the tank it draws from',
      change: (d) => void (lineOf(d, finding.subject.id)!.to = { at: 'tank', id: feed.from.id! }),
    },
  ];
};

export const CROSSING_KINDS: Kinds<CrossingCode> = {
  'cross-tie': { figure: places('cross-tie'), rules: off },
  'cross-pumped': { figure: places('cross-pumped'), rules: off },
  'cross-return': { figure: places('cross-return'), rules: back },
  'cross-siphon': { figure: places('cross-siphon'), rules: check },
  'dump-chemical': { figure: places('dump-chemical'), rules: off },
  'stock-thinned': { figure: places('stock-thinned'), rules: check, minor: true },
};
