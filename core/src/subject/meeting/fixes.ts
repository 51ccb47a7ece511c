import { message } from '../../working/figure.js';
import { meeting } from '../../chemistry/compatibility.js';
import type { RigDocument } from '../../rig/schema.js';
import type { Rule } from '../rule.js';

/** Another material where a liquid eats one. */
export const attackRules: Rule = (finding, rig) => {
  const reel = rig.reels.findIndex((r) => r.id === finding.subject.id);
  if (reel >= 0)
    return [
      { id: 'none', title: 'Couple straight to the hose, past the swivel', change: (d) => void (d.reels![reel].swivel = 'none') },
      { id: 'plastic', title: 'A plastic swivel', change: (d) => void (d.reels![reel].swivel = 'plastic') },
    ];
  const pump = rig.softPumps.findIndex((p) => p.id === finding.subject.id);
  return pump < 0
    ? []
    : [
        {
          id: 'materials',
          title: 'Polypropylene body, fluororubber seals',
          change: (d) => {
            d.softPumps![pump].body = 'polypropylene';
            d.softPumps![pump].seals = 'fluororubber';
          },
        },
      ];
};

/** Keeps a stick for one container; takes the branch that does not belong off the blend that it would meet SH in. */
export const neverRules: Rule = (finding, rig, doc) => {
  const a = rig.liquids.find((l) => l.id === finding.subject.id);
  if (!a) return [];
  const sticks = rig.mixes.flatMap((mix, i) =>
    mix.way === 'draw-stick' && !mix.ownStick
      ? [
          {
            id: `own-${mix.id}`,
            title: message('Keep the draw stick of {mix} for its own container', { mix: mix.name }),
            change: (d: RigDocument) => void (d.mixes![i].ownStick = true),
          },
        ]
      : [],
  );
  const kind = (tank: string | undefined) => rig.liquids.find((l) => l.id === rig.tanks.find((t) => t.id === tank)?.holds);
  const branches = rig.mixes.flatMap((mix) => {
    const branches = doc.lines.filter((l) => l.role === 'chemical' && l.to.at === 'mix' && l.to.id === mix.id);
    const stock = rig.liquids.find((l) => l.id === mix.stock);
    return branches
      .filter((l) => {
        const k = kind(l.from.id);
        return k && stock && meeting(k.kind, stock.kind).verdict === 'never';
      })
      .map((l) => ({
        id: `off-${l.id}`,
        title: message('Take {liquid} off {mix}', { liquid: kind(l.from.id)!.name, mix: mix.name }),
        change: (d: RigDocument) => void (d.lines = d.lines.filter((x) => x.id !== l.id)),
      }));
  });
  const ties = rig.lines.flatMap((l) => {
    const [from, to] = [kind(l.from.id), kind(l.to.id)];
    return l.role === 'tie' && from && to && meeting(from.kind, to.kind).verdict === 'never'
      ? [
          {
            id: `off-${l.id}`,
            title: message('Take out the tie between {a} and {b}', { a: from.name, b: to.name }),
            change: (d: RigDocument) => void (d.lines = d.lines.filter((x) => x.id !== l.id)),
          },
        ]
      : [];
  });
  return [...sticks, ...branches, ...ties];
};
