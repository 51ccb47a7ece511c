import { assumptionValues } from '../../assumption/register.js';
import { shelf, typed } from '../message-parts.js';
import { message } from '../../working/figure.js';
import { addPlates, withoutPlate } from '../../edit/plate.js';
import { calledPart, CATALOGUE, takePart } from '../../catalogue/items.js';
import type { PartDocument } from '../../rig/schema.js';
import { fullDepth } from '../../rig/tank-shape.js';
import { growTank } from '../../edit/grow-tank.js';
import { eachPart, lineAt, structuredCopy } from '../../edit/draft.js';
import { unusedId } from '../../edit/id.js';
import { like, m, nextSize } from '../../edit/length.js';
import { sizeUp } from '../../edit/part.js';
import type { Candidate, Rule } from '../rule.js';

export const bufferRules: Rule = (finding, rig, doc, now) => {
  const index = rig.tanks.findIndex((t) => t.id === finding.subject.id);
  const result = now.tanks[index];
  if (!result) return [];
  const out: Candidate[] = [];
  // Water that stands behind a thin tie is no help: first the tie.
  if (result.tie && result.tie.strandedM3 > 0) out.push(...tieRules(finding, rig, doc, now));
  const job = rig.brief.job;
  const reserve = assumptionValues(rig.assumptions)['buffer-reserve'];
  const fillLines = now.fills.filter((f) => result.tiedIds.includes(f.tankId));
  const poorNeed = Math.max(result.draw.value - result.inflowPoor, 0) * job * (1 + reserve);
  for (const [id, need, label] of [
    ['tank', result.needed.value, ''],
    ['tank-poor', poorNeed, ', good for a poor ‹spigot› too'],
  ] as const) {
    const wanted = (need + result.heelVolumeM3) / result.fullVolumeM3;
    if (wanted <= 1.001) continue;
    if (wanted > 12) continue;
    out.push({
      id,
      title: message(`A {size} tank lasts the job${label}`, { size: typed(nextSize(result.fullVolumeM3 * wanted, 'volume', 'gal', 5), 'volume') }),
      change: (d) => result.tiedIds.forEach((t) => growTank(d, t, wanted * 1.01)),
    });
  }
  const startsLow = rig.tanks.some((t) => result.tiedIds.includes(t.id) && t.startLevel < fullDepth(t) * 0.99);
  if (startsLow)
    out.push({
      id: 'start-full',
      title: 'Start the job with a full tank',
      change: (d) =>
        d.tanks.forEach((t) => {
          if (result.tiedIds.includes(t.id)) t.startLevel = t.fullLevel;
        }),
    });
  // Less heel is more usable water: a lower or a wider outlet.
  const outlets = rig.lines.filter((l) => (l.role === 'feed' || l.role === 'boost') && l.from.at === 'tank' && result.tiedIds.includes(l.from.id!));
  if (withoutPlate(doc, result.tiedIds).length)
    out.push({ id: 'plate', title: 'An anti-vortex plate over the outlet: it draws lower', change: (d) => addPlates(d, result.tiedIds) });
  const high = outlets.filter((l) => l.from.height !== undefined && l.from.height > rig.tanks.find((t) => t.id === l.from.id)!.base + 0.03);
  if (high.length)
    out.push({
      id: 'outlet-low',
      title: 'Outlet an inch above the bottom: less water out of reach',
      change: (d) =>
        high.forEach((l) => {
          const end = lineAt(d, l.id).from;
          end.height = like(end.height!, 0.0254);
        }),
    });
  if (outlets.length)
    out.push({
      id: 'outlet-wide',
      title: 'A bulkhead one size larger: less depth needed over it',
      change: (d) =>
        eachPart(
          d,
          outlets.map((l) => l.id),
          (p) => (p.kind === 'fitting' && p.is.startsWith('bulkhead') ? sizeUp(p) : undefined),
        ),
    });
  for (const fill of fillLines) {
    if (fill.wider)
      out.push({
        id: `fill-hose-${fill.lineId}`,
        title: message('A {bore} fill hose', { bore: shelf(fill.wider.boreM) }),
        change: (d) => {
          const line = lineAt(d, fill.lineId);
          const longest = line.parts.reduce<PartDocument | undefined>(
            (a, p) => (p.kind === 'hose' && (!a || a.kind !== 'hose' || m(p.length) > m(a.length)) ? p : a),
            undefined,
          );
          line.parts = line.parts.map((p) => (p === longest || p.id === longest?.id ? (sizeUp(p) ?? p) : p));
        },
      });
    if (fill.costliest && fill.costliest.share > 0.1) {
      const part = rig.lines.find((l) => l.id === fill.lineId)!.parts.find((p) => p.id === fill.costliest!.partId)!;
      if (part.kind === 'valve')
        out.push({
          id: `fill-part-${part.id}`,
          title: message('{part}, one size larger', { part: calledPart(part) }),
          change: (d) => eachPart(d, [fill.lineId], (p) => (p.id === part.id ? sizeUpValve(p) : undefined)),
        });
    }
    const halfLength = rig.lines.find((l) => l.id === fill.lineId)!.parts.filter((p) => p.kind === 'hose');
    if (halfLength.some((h) => h.kind === 'hose' && h.length > 20))
      out.push({
        id: `fill-short-${fill.lineId}`,
        title: 'Half the fill hose, parked nearer the ‹spigot›',
        change: (d) => eachPart(d, [fill.lineId], (p) => (p.kind === 'hose' ? { ...p, length: like(p.length, m(p.length) / 2) } : undefined)),
      });
  }
  return out;
};

function sizeUpValve(p: PartDocument): PartDocument | undefined {
  const wider = CATALOGUE.filter((x) => x.part.is === p.is && m(x.part.bore) > m(p.bore) * 1.02).sort((a, b) => m(a.part.bore) - m(b.part.bore))[0];
  return wider ? takePart(wider.id, p.id) : undefined;
}

export const tieRules: Rule = (finding, _rig, doc) => {
  const ties = doc.lines.filter((l) => l.role === 'tie' && (l.from.id === finding.subject.id || l.to.id === finding.subject.id)).map((l) => l.id);
  if (!ties.length) return [];
  return [
    { id: 'tie-wider', title: 'A tie line one size wider', change: (d) => eachPart(d, ties, sizeUp) },
    { id: 'tie-wider-two', title: 'A tie line two sizes wider', change: (d) => eachPart(d, ties, (p) => sizeUp(sizeUp(p) ?? p)) },
    {
      id: 'tie-second',
      title: 'A second tie line beside the first',
      change: (d) => {
        const first = lineAt(d, ties[0]);
        d.lines.push({ ...structuredCopy(first), id: unusedId(d, `${first.id}-b`) });
      },
    },
  ];
};
