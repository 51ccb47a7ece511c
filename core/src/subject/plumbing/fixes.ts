import { assumptionValues } from '../../assumption/register.js';
import { findItem, takePart } from '../../catalogue/items.js';
import { nextAmong } from '../../edit/id.js';
import { like, m } from '../../edit/length.js';
import { raiseTanks } from '../../edit/tank.js';
import { typeableQuantity } from '../../quantity/format.js';
import type { LineDocument, RigDocument } from '../../rig/schema.js';
import { overrunOf } from '../../solve/unloader.js';
import { message } from '../../working/figure.js';
import { shelf, typed } from '../message-parts.js';
import type { Candidate, Rule } from '../rule.js';

/** The shelf's part of a family in the bore of a line's first part. */
function shelfPart(l: LineDocument, family: string): string | undefined {
  const bore = l.parts[0]?.bore;
  const size = bore?.replace(' in', '').replace(' ', '-').replaceAll('/', '');
  return [`${family}-${size}`, `${family}-1`].find((id) => findItem(id));
}

/** Puts a part into a line, after its bulkhead where it begins with one; a strainer after the valve that shuts it off. */
function putIn(d: RigDocument, lineId: string, family: string): void {
  const l = d.lines.find((x) => x.id === lineId)!;
  const id = shelfPart(l, family);
  if (!id) return;
  const bulkhead = l.parts.findIndex((p) => p.kind === 'fitting' && p.is.startsWith('bulkhead'));
  const valve = l.parts.findIndex((p) => p.kind === 'fitting' && (p.is === 'ball-valve' || p.is === 'gate-valve'));
  const at = Math.max(bulkhead, family === 'strainer' ? valve : -1) + 1;
  l.parts.splice(at, 0, takePart(id, nextAmong(l.parts, 'part-')));
}

/** What a suction line lacks, put in; a pump that will not prime, lowered or its tank raised. */
export const plumbingRules: Rule = (finding, rig, doc, now): Candidate[] => {
  const feed = now.feeds.find((f) => f.machineId === finding.subject.id);
  const i = rig.machines.findIndex((x) => x.id === finding.subject.id);
  if (!feed || i < 0) return [];
  const first = feed.lineIds[0];
  const last = feed.lineIds[feed.lineIds.length - 1];
  switch (finding.code) {
    case 'no-strainer':
      return [{ id: 'strainer', title: 'A strainer before the pump', change: (d) => putIn(d, last, 'strainer') }];
    case 'no-shut-off':
      return [{ id: 'valve', title: 'A full-bore ball valve at the tank', change: (d) => putIn(d, first, 'ball-valve-full') }];
    default: {
      const tied = now.tanks.find((t) => t.tankId === feed.sourceId)?.tiedIds ?? [];
      const own = rig.machines[i].inletHeight;
      return [
        { id: 'foot', title: 'A foot valve at the tank’s outlet', change: (d) => putIn(d, first, 'foot-valve') },
        { id: 'check', title: 'A check valve at the tank’s outlet', change: (d) => putIn(d, first, 'check-valve') },
        ...['6 in', '12 in', '24 in'].flatMap((h) => [
          { id: `raise-${h}`, title: message('Raise the tank {h}', { h: shelf(m(h)) }), change: (d: RigDocument) => raiseTanks(d, tied, m(h)) },
          ...(own - m(h) > 0
            ? [
                {
                  id: `lower-${h}`,
                  title: message('Set the pump {h} lower', { h: shelf(m(h)) }),
                  change: (d: RigDocument) => void (d.machines[i].inletHeight = like(doc.machines[i].inletHeight, m(doc.machines[i].inletHeight) - m(h))),
                },
              ]
            : []),
        ]),
      ];
    }
  }
};

/** Hose and fittings for the pressure, or the unloader set to what they stand. */
export const ratingRules: Rule = (finding, rig): Candidate[] => {
  const i = rig.machines.findIndex((x) => x.id === finding.subject.id);
  const own = rig.machines[i];
  if (!own) return [];
  const over = 1 + overrunOf(own.unloader, assumptionValues(rig.assumptions));
  const wanted = typeableQuantity(Math.ceil((own.unloader.setting * over) / 6894.757 / 500) * 500 * 6894.757, 'pressure', 'psi', 2);
  const rated = rig.lines.filter((l) => l.role === 'pressure').flatMap((l) => l.parts.flatMap((p) => (p.rated !== undefined ? [p.rated] : [])));
  const lowest = Math.min(...rated) / over;
  return [
    {
      id: 'rated',
      title: message('Hose and fittings made for {p}', { p: typed(wanted, 'pressure') }),
      change: (d) =>
        d.lines.forEach((l) => {
          if (l.role === 'pressure') l.parts = l.parts.map((p) => ({ ...p, rated: wanted }));
        }),
    },
    ...(Number.isFinite(lowest)
      ? [
          {
            id: 'set',
            title: message('Set the unloader to {p}', { p: { value: lowest, dimension: 'pressure' as const } }),
            change: (d: RigDocument) => void (d.machines[i].unloader.setting = typeableQuantity(lowest, 'pressure', 'psi', 2)),
          },
        ]
      : []),
  ];
};

/** A vent wide enough for all that comes in. */
export const fillRules: Rule = (finding, rig): Candidate[] => {
  const i = rig.tanks.findIndex((t) => t.id === finding.subject.id);
  if (i < 0) return [];
  return ['1 in', '1 1/2 in', '2 in', '3 in'].flatMap((bore) =>
    m(bore) > rig.tanks[i].ventBore
      ? [{ id: `vent-${bore}`, title: message('A vent of {d}', { d: shelf(m(bore)) }), change: (d: RigDocument) => void (d.tanks[i].ventBore = bore) }]
      : [],
  );
};
