import { meeting } from '../../chemistry/compatibility.js';
import { moreOf } from '../more-of.js';
import { like, nextSize } from '../../edit/length.js';
import type { Rule } from '../rule.js';
import type { RigDocument } from '../../rig/schema.js';

/** More tank for what is short, fresh stock for what is stale, less at a time for what spoils. */
export const stockRules: Rule = (finding, rig, doc, now) => {
  const l = now.chemical.liquids.find((x) => x.liquidId === finding.subject.id);
  const i = doc.liquids?.findIndex((x) => x.id === finding.subject.id) ?? -1;
  if (!l || i < 0) return [];
  if (finding.code === 'stock-stale')
    return [
      {
        id: 'fresh',
        title: 'Fetch fresh stock',
        change: (d) => {
          d.liquids![i].strength!.age = '1 d';
          delete d.liquids![i].strength!.titrated;
        },
      },
    ];
  const tank = doc.tanks.findIndex((t) => t.id === l.tanks[0]);
  if (tank < 0) return [];
  if (finding.code === 'use-by') {
    const level = Math.max((rig.tanks[tank].startLevel * 1.15) / Math.max(l.lastsDays, 1), 0.06);
    return [{ id: 'less', title: 'Mix one day’s worth', change: (d) => void (d.tanks[tank].startLevel = like(d.tanks[tank].startLevel, level)) }];
  }
  return moreOf(rig, doc, tank, 1.15 / l.lastsDays);
};

/** Vent, filling and bund of a tank of chemicals. */
export const tankPracticeRules: Rule = (finding, rig, _doc, now) => {
  const i = rig.tanks.findIndex((t) => t.id === finding.subject.id);
  switch (finding.code) {
    case 'fumes-deck':
      return [{ id: 'outside', title: 'Lead the vent outside', change: (d) => void (d.tanks[i].ventTo = 'outside') }];
    case 'no-drop-tube':
      return [{ id: 'tube', title: 'A drop tube to the bottom', change: (d) => void (d.tanks[i].dropTube = true) }];
    default: {
      const wanted = now.chemical.tanks.find((t) => t.tankId === finding.subject.id)?.bundWanted.value ?? 0;
      const size = nextSize(wanted, 'volume', 'gal', 5);
      return [{ id: 'bund', title: `A bund of ${size}`, change: (d) => void (d.tanks[i].bund = size) }];
    }
  }
};

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

/** Takes the branch that does not belong off the blend that it would meet SH in. */
export const neverRules: Rule = (finding, rig, doc) => {
  const a = rig.liquids.find((l) => l.id === finding.subject.id);
  if (!a) return [];
  return rig.mixes.flatMap((mix) => {
    const branches = doc.lines.filter((l) => l.role === 'chemical' && l.to.at === 'mix' && l.to.id === mix.id);
    const kind = (lineFrom: string | undefined) => rig.liquids.find((l) => l.id === rig.tanks.find((t) => t.id === lineFrom)?.holds);
    const stock = rig.liquids.find((l) => l.id === mix.stock);
    return branches
      .filter((l) => {
        const k = kind(l.from.id);
        return k && stock && meeting(k.kind, stock.kind).verdict === 'never';
      })
      .map((l) => ({
        id: `off-${l.id}`,
        title: `Take ${kind(l.from.id)!.name} off ${mix.name}`,
        change: (d: RigDocument) => void (d.lines = d.lines.filter((x) => x.id !== l.id)),
      }));
  });
};
