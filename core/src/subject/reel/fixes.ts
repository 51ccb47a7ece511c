import { shelf } from '../message-parts.js';
import { message } from '../../working/figure.js';
import { typeableQuantity } from '../../quantity/format.js';
import { like } from '../../edit/length.js';
import { placeOf } from '../../edit/place.js';
import type { RigDocument } from '../../rig/schema.js';
import type { Rule } from '../rule.js';

/** A wider drum, another place, the supply at the bottom. */
export const reelRules: Rule = (finding, rig, doc, now) => {
  const i = rig.reels.findIndex((r) => r.id === finding.subject.id);
  const reel = doc.reels?.[i];
  if (!reel) return [];
  const own = rig.reels[i];
  const freeRow = [1, 2, 3, 4, 5, 6].find((row) => !rig.reels.some((r) => r !== own && r.place === own.place && r.row === row));
  switch (finding.code) {
    case 'reel-small': {
      const r = now.reels[i];
      const wide = Math.ceil((own.width * (r.hoseM / r.capacity.value) * 1.03) / 0.0254) * 0.0254;
      const deep = Math.ceil((own.flange * 1.2) / 0.0254) * 0.0254;
      return [
        { id: 'wider', title: message('A reel {w} wide', { w: shelf(wide) }), change: (d) => void (d.reels![i].width = like(reel.width, wide)) },
        { id: 'deeper', title: message('Flanges of {d}', { d: shelf(deep) }), change: (d) => void (d.reels![i].flange = like(reel.flange, deep)) },
      ];
    }
    case 'reel-street':
      return (['kerb', 'rear'] as const).map((place) => ({
        id: `at-${place}`,
        title: place === 'kerb' ? 'Mount it on the ‹curb› side' : 'Mount it at the rear',
        change: (d) => {
          d.reels![i].place = place;
          const at = placeOf(d, own.id);
          if (at) at.service = place;
        },
      }));
    case 'reel-order':
      return [
        {
          id: 'bottom',
          title: 'Supply at the bottom, pressure over it',
          change: (d) => {
            if (placeOf(d, own.id)) return putAtBottom(d, own.id);
            let row = 1;
            const stack = d.reels!.filter((r) => r.place === own.place);
            const supply = (r: (typeof stack)[number]): number => (d.lines.find((l) => l.id === r.line)?.role === 'fill' ? 0 : 1);
            [...stack].sort((a, b) => supply(a) - supply(b)).forEach((r) => (r.row = String(row++)));
          },
        },
      ];
    case 'reel-cross':
      return freeRow
        ? [
            {
              id: `row-${freeRow}`,
              title: `Give it row ${freeRow}`,
              change: (d) => {
                d.reels![i].row = String(freeRow);
              },
            },
          ]
        : [];
    default:
      return [];
  }
};

/** Spare hose to reach the far corner. */
export const runRules: Rule = (finding, rig, doc, now) => {
  const run = now.runs.find((r) => r.outletId === finding.subject.id);
  if (!run || !doc.site) return [];
  const more = Math.ceil((rig.site!.spare + run.needed.value - run.carried.value) / 7.62) * 7.62;
  return [
    {
      id: 'spare',
      title: message('Carry {l} of spare hose', { l: { value: more, dimension: 'length' } }),
      change: (d) => {
        d.site!.spare = typeableQuantity(more, 'length', 'ft', 3);
      },
    },
  ];
};

/** A reel changes places with the lowest of its stack. */
function putAtBottom(d: RigDocument, id: string): void {
  const own = placeOf(d, id)!;
  let root = own;
  while (root.on !== undefined) root = placeOf(d, root.on)!;
  if (root === own) return;
  const names: Readonly<Record<string, string>> = { [own.thing]: root.thing, [root.thing]: own.thing };
  for (const p of d.placements ?? []) {
    if (p.on !== undefined && p.on in names) p.on = names[p.on];
    if (p.thing in names) p.thing = names[p.thing];
  }
}
