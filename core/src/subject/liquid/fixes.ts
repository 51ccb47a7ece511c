import { typed } from '../message-parts.js';
import { message } from '../../working/figure.js';
import { moreOf } from '../more-of.js';
import { like, nextSize } from '../../edit/length.js';
import type { Rule } from '../rule.js';

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
      return [{ id: 'bund', title: message('‹A containment tray› of {size}', { size: typed(size, 'volume') }), change: (d) => void (d.tanks[i].bund = size) }];
    }
  }
};
