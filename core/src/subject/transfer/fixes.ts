import { eachPart } from '../../edit/draft.js';
import { nextSize } from '../../edit/length.js';
import { sizeUp } from '../../edit/part.js';
import { typeableQuantity } from '../../quantity/format.js';
import type { Rig, RigDocument } from '../../rig/schema.js';
import { transferWays } from '../../solve/transfer.js';
import { message } from '../../working/figure.js';
import { typed } from '../message-parts.js';
import type { Candidate, Rule } from '../rule.js';

const linesOf = (rig: Rig, pumpId: string): string[] =>
  transferWays(rig)
    .filter((w) => w.pump.id === pumpId)
    .flatMap((w) => [w.suction.id, w.delivery.id]);

/** More pressure, more flow, wider hoses. */
export const transferRules: Rule = (finding, rig, _doc, now): Candidate[] => {
  const id = finding.subject.id;
  const i = rig.softPumps.findIndex((p) => p.id === id);
  const r = now.chemical.transfers.find((t) => t.pumpId === id);
  if (i < 0 || !r) return [];
  const limit = nextSize(rig.softPumps[i].limit * Math.max((1.5 * r.liftM) / r.liftsM, 1), 'pressure', 'psi', 5);
  return [
    ...(r.liftM > r.liftsM / 1.5
      ? [{ id: 'psi', title: message('A pump of {p}', { p: typed(limit, 'pressure') }), change: (d: RigDocument) => void (d.softPumps![i].limit = limit) }]
      : []),
    ...[1.5, 2, 3].map((f) => {
      const flow = typeableQuantity(rig.softPumps[i].openFlow * f, 'flow', 'gpm', 2);
      return {
        id: `flow-${f}`,
        title: message('A pump of {q}', { q: typed(flow, 'flow') }),
        change: (d: RigDocument) => void (d.softPumps![i].openFlow = flow),
      };
    }),
    { id: 'hose', title: 'Its hoses one size wider', change: (d) => eachPart(d, linesOf(rig, id), (p) => (p.kind === 'hose' ? sizeUp(p) : undefined)) },
  ];
};

/** The pump lower down. */
export const suctionRules: Rule = (finding, rig, _doc, now): Candidate[] => {
  const i = rig.softPumps.findIndex((p) => p.id === finding.subject.id);
  const r = now.chemical.transfers.find((t) => t.pumpId === finding.subject.id);
  if (i < 0 || !r) return [];
  return [{ id: 'lower', title: 'The pump on the deck', change: (d) => void (d.softPumps![i].height = '2 in') }];
};
