import { shelf } from '../message-parts.js';
import { message } from '../../working/figure.js';
import type { Assessment } from '../assessment.js';
import { nextBore } from '../../catalogue/hose-sizes.js';
import { CATALOGUE, takePart } from '../../catalogue/items.js';
import { eachPart, lineAt, structuredCopy } from '../../edit/draft.js';
import { nextAmong, unusedId } from '../../edit/id.js';
import { like, m } from '../../edit/length.js';
import { sizeUp, upTo } from '../../edit/part.js';
import type { Candidate, Rule } from '../rule.js';
import { raiseTanks } from '../../edit/tank.js';
import { addBooster } from '../../edit/booster.js';
import type { PartDocument, RigDocument } from '../../rig/schema.js';

/** 5/8 in is a garden hose's size: no suction line is built of it. */
const nextFeedBore = (boreM: number): number | undefined => {
  const next = nextBore(boreM);
  return next && Math.abs(next - m('5/8 in')) < 1e-4 ? nextBore(next) : next;
};

const feedLines = (now: Assessment, machineId: string): readonly string[] => now.feeds.find((f) => f.machineId === machineId)?.lineIds ?? [];

const has = (doc: RigDocument, lineIds: readonly string[], test: (p: PartDocument) => boolean): boolean =>
  lineIds.some((id) => lineAt(doc, id).parts.some(test));

const isElbow = (p: PartDocument): boolean => p.kind === 'fitting' && (p.is === 'elbow-90' || p.is === 'elbow-45');

export const feedRules: Rule = (finding, rig, doc, now) => {
  const machine = rig.machines.findIndex((x) => x.id === finding.subject.id);
  const lines = feedLines(now, finding.subject.id);
  const feed = now.feeds.find((f) => f.machineId === finding.subject.id);
  if (machine < 0 || !feed || lines.length === 0) return [];
  const out: Candidate[] = [];
  const add = (id: string, title: Candidate['title'], change: Candidate['change']): void => void out.push({ id, title, change });
  const tankIndex = rig.tanks.findIndex((t) => t.id === feed.sourceId);

  const hose = lines
    .flatMap((id) => lineAt(doc, id).parts)
    .filter((p) => p.kind === 'hose')
    .map((p) => m(p.bore));
  const narrow = hose.length ? nextFeedBore(Math.min(...hose)) : undefined;
  if (narrow)
    add('wider-all', message('Go to {bore} hose, valve and fittings throughout', { bore: shelf(narrow) }), (d) => eachPart(d, lines, (p) => upTo(p, narrow)));
  const widest = hose.length ? nextFeedBore(narrow ?? Math.max(...hose)) : undefined;
  if (narrow && widest && widest > narrow)
    add('wider-two', message('{bore} all the way, two sizes up', { bore: shelf(widest) }), (d) => eachPart(d, lines, (p) => upTo(p, widest)));
  if (has(doc, lines, isElbow)) {
    const count = lines
      .flatMap((id) => lineAt(doc, id).parts)
      .filter(isElbow)
      .reduce((s, p) => s + Number((p as { count: string }).count), 0);
    add('sweeps', count === 1 ? 'A sweep bend instead of the elbow' : `Sweep bends instead of ${count} elbows`, (d) =>
      eachPart(d, lines, (p) => (isElbow(p) ? sweep(p) : undefined)),
    );
    add('no-elbows', 'Run the hose in a long curve, no elbows', (d) =>
      lines.forEach((id) => {
        const l = lineAt(d, id);
        l.parts = l.parts.filter((p) => !isElbow(p));
      }),
    );
  }
  const last = lines[lines.length - 1];
  if (feed.acceleration.used.value > m('1 ft') && !has(doc, lines, (p) => p.kind === 'fitting' && p.is === 'accumulator'))
    add('accumulator', 'A suction accumulator at the pump', (d) => {
      const { parts } = lineAt(d, last);
      const size = parts.at(-1)!.bore.replace(' in', '').replace(' ', '-').replaceAll('/', '');
      const id = [`accumulator-${size}`, 'accumulator-1'].find((x) => CATALOGUE.some((c) => c.id === x))!;
      parts.push(takePart(id, nextAmong(parts, 'part-')));
    });
  if (has(doc, lines, (p) => p.kind === 'strainer'))
    add('strainer', 'A strainer one size larger', (d) => eachPart(d, lines, (p) => (p.kind === 'strainer' ? sizeUp(p) : undefined)));
  if (has(doc, lines, (p) => p.kind === 'fitting' && p.is === 'ball-valve' && !!p.reducedBore))
    add('full-bore', 'A full-bore ball valve', (d) => eachPart(d, lines, (p) => (p.kind === 'fitting' && p.is === 'ball-valve' ? fullBore(p) : undefined)));
  if (has(doc, lines, (p) => p.kind === 'fitting' && p.is.startsWith('bulkhead')))
    add('bulkhead', 'A bulkhead one size larger', (d) =>
      eachPart(d, lines, (p) => (p.kind === 'fitting' && p.is.startsWith('bulkhead') ? sizeUp(p) : undefined)),
    );
  if (!feed.direct && tankIndex >= 0) {
    const tied = now.tanks[tankIndex].tiedIds;
    add('raise-tank', message('Raise the tank {h}', { h: shelf(m('6 in')) }), (d) => raiseTanks(d, tied, m('6 in')));
    const low = rig.machines[machine].inletHeight;
    if (low > m('6 in')) {
      const to = Math.max(low - m('6 in'), m('4 in'));
      add('lower-pump', message('Lower the pump to {h} off the deck', { h: shelf(to) }), (d) => {
        // The document's height is above what it stands on.
        const own = d.machines[machine];
        own.inletHeight = like(own.inletHeight, m(own.inletHeight) + to - low);
      });
    }
    if (lines.length === 1)
      add('second-feed', 'A second feed line beside the first', (d) => {
        const first = lineAt(d, lines[0]);
        d.lines.push({ ...structuredCopy(first), id: unusedId(d, `${first.id}-b`) });
      });
    if (rig.boosters.length === 0) add('booster', 'A booster pump before the strainer', (d) => addBooster(d, lines, machine));
    for (const b of rig.boosters)
      if (!b.running && lines.some((id) => rig.lines.find((l) => l.id === id)!.from.id === b.id))
        add(`run-${b.id}`, message('Switch {b} on', { b: b.name }), (d) => {
          d.boosters.find((x) => x.id === b.id)!.running = true;
        });
  }
  return out;
};

function sweep(p: PartDocument): PartDocument | undefined {
  const target = CATALOGUE.find((x) => x.id.startsWith('elbow-90-swept-') && Math.abs(m(x.part.bore) - m(p.bore)) < 2e-4);
  return target && p.kind === 'fitting' ? takePart(target.id, p.id, { count: p.count }) : undefined;
}

function fullBore(p: PartDocument): PartDocument | undefined {
  const target = CATALOGUE.find((x) => x.id.startsWith('ball-valve-full-') && Math.abs(m(x.part.bore) - m(p.bore)) < 2e-4);
  return target && p.kind === 'fitting' ? takePart(target.id, p.id, { count: p.count }) : undefined;
}
