import { like, m } from '../../edit/length.js';
import { addPlates, withoutPlate } from '../../edit/plate.js';
import { raiseTanks } from '../../edit/tank.js';
import { isDraw } from '../../solve/solved.js';
import { message } from '../../working/figure.js';
import { shelf } from '../message-parts.js';
import type { Candidate, Rule } from '../rule.js';

const LOW = '1 in';

/** A tank that stands higher, an outlet lower down or with a plate over it. */
export const slopeRules: Rule = (finding, rig, doc, now): Candidate[] => {
  const { id } = finding.subject;
  if (finding.code === 'slope-feed') {
    const source = now.feeds.find((f) => f.machineId === id)?.sourceId;
    const tied = now.tanks.find((t) => t.tankId === source)?.tiedIds ?? [];
    if (!tied.length) return [];
    return ['6 in', '12 in'].map((by) => ({
      id: `raise-${by.replace(' ', '-')}`,
      title: message('Raise the tank {h}', { h: shelf(m(by)) }),
      change: (d) => raiseTanks(d, tied, m(by)),
    }));
  }
  const draws = rig.lines.filter((l) => isDraw(l) && l.from.id === id && !l.closed);
  const high = draws.filter((l) => {
    const tank = rig.tanks.find((t) => t.id === id)!;
    return (l.from.height ?? tank.base) - tank.base > m(LOW) + 1e-6;
  });
  return [
    ...(high.length
      ? [
          {
            id: 'outlet-lower',
            title: message('The outlet {h} above the tank’s bottom', { h: shelf(m(LOW)) }),
            change: (d: Parameters<Candidate['change']>[0]) => {
              for (const l of d.lines) if (high.some((x) => x.id === l.id)) l.from.height = like(l.from.height ?? LOW, m(LOW));
            },
          },
        ]
      : []),
    ...(withoutPlate(doc, [id]).length
      ? [{ id: 'plate', title: 'An anti-vortex plate over the outlet', change: (d: Parameters<Candidate['change']>[0]) => addPlates(d, [id]) }]
      : []),
  ];
};
