import { shelf } from '../message-parts.js';
import { message } from '../../working/figure.js';
import { m } from '../../edit/length.js';
import type { Rule } from '../rule.js';
import type { RigDocument } from '../../rig/schema.js';

export const ventRules: Rule = (finding, rig) => {
  const i = rig.tanks.findIndex((t) => t.id === finding.subject.id);
  const now = rig.tanks[i].ventBore;
  const sizes = ['1 in', '1 1/2 in', '2 in', '3 in', '4 in'].filter((s) => m(s) > now * 1.02);
  return [
    ...sizes.map((s) => ({
      id: `vent-${s}`,
      title: message('A {bore} vent', { bore: shelf(m(s)) }),
      change: (d: RigDocument) => {
        d.tanks[i].ventBore = s;
      },
    })),
    {
      id: 'lid-open',
      title: 'Keep the lid open while dumping',
      change: (d) => {
        d.tanks[i].lid = 'open';
      },
    },
  ];
};
