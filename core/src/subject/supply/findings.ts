import { driveOf, type Rig } from '../../rig/schema.js';
import { message } from '../../working/figure.js';
import type { Finding } from '../finding.js';
import { finding } from '../message-parts.js';

/** What has nothing to run on. */
export function supplyFindings(rig: Rig): Finding[] {
  const out: Finding[] = [];
  if (!rig.power)
    for (const p of rig.softPumps)
      if (p.kind === 'electric')
        out.push(
          finding(
            'no-battery',
            'starved',
            'machines',
            { kind: 'soft-pump', id: p.id },
            message('{pump} runs on 12 V and there is no battery on board.', { pump: p.name }),
          ),
        );
  if (!rig.power)
    for (const b of rig.boosters)
      if (b.running)
        out.push(
          finding(
            'no-battery',
            'tight',
            'feed',
            { kind: 'booster', id: b.id },
            message('{booster} runs and nothing is said to drive it: one of 12 V wants a battery on board.', { booster: b.name }),
          ),
        );
  if (!rig.power)
    for (const m of rig.mixes)
      if (m.injector?.remote)
        out.push(
          finding(
            'no-battery',
            'tight',
            'mix',
            { kind: 'mix', id: m.id },
            message('The remote switch of {mix} runs on 12 V and there is no battery on board.', { mix: m.name }),
          ),
        );
  if (rig.power?.mains === undefined)
    for (const m of rig.machines)
      if (driveOf(m) === 'electric')
        out.push(
          finding(
            'no-mains',
            'starved',
            'machines',
            { kind: 'machine', id: m.id },
            message('{machine} runs on mains and nothing is said to give it: the customer’s socket, or a generator.', { machine: m.name }),
          ),
        );
  return out;
}
