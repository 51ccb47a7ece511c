import { like, m } from '../../edit/length.js';
import type { Rule } from '../rule.js';
import { shapeHeight } from '../../rig/tank-shape.js';

export const outletRules: Rule = (finding, rig) => {
  const tank = rig.tanks.find((t) => t.id === finding.subject.id)!;
  return [
    {
      id: 'outlet-low',
      title: 'Move the outlet to 1 in above the bottom',
      change: (d) =>
        d.lines.forEach((l) => {
          if (l.from.at === 'tank' && l.from.id === tank.id && l.from.height !== undefined) {
            const h = m(l.from.height);
            if (h < 0 || h > shapeHeight(tank.shape)) l.from.height = like(l.from.height, 0.0254);
          }
        }),
    },
  ];
};
