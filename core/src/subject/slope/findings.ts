import type { Cases } from '../../solve/cases.js';
import { message } from '../../working/figure.js';
import type { FeedResult } from '../feed/result.js';
import type { Finding } from '../finding.js';
import { percent } from '../message-parts.js';
import type { SlopeResult } from './result.js';

const length = (value: number) => ({ value, dimension: 'length' as const });

/** What goes wrong on the steepest site though it is right on the level. */
export function slopeFindings(cases: Cases, said: SlopeResult, feeds: readonly FeedResult[]): Finding[] {
  const { rig, values } = cases;
  const out: Finding[] = [];
  for (const s of said.feeds) {
    const level = feeds.find((f) => f.machineId === s.machineId)!;
    if (level.worst.marginM < 0 || s.marginM >= 0) continue;
    const machine = rig.machines.find((m) => m.id === s.machineId)!;
    out.push({
      code: 'slope-feed',
      verdict: 'tight',
      station: 'weight',
      subject: { kind: 'machine', id: machine.id },
      message: message(
        '{machine} is fed on the level with {has} of inlet head to spare; on the steepest site it may stand {drop} higher over its outlet and starves as the tank runs low.',
        { machine: machine.name, has: length(level.worst.marginM), drop: length(s.dropM) },
      ),
    });
  }
  for (const t of said.tanks) {
    if (!(t.keptShare > values['slope-kept'])) continue;
    const tank = rig.tanks.find((x) => x.id === t.tankId)!;
    out.push({
      code: 'slope-heel',
      verdict: 'tight',
      station: 'weight',
      subject: { kind: 'tank', id: tank.id },
      message: message('On the steepest site {tank} keeps {kept} from its outlet, {share} of what it gives on the level: it runs dry so much earlier.', {
        tank: tank.name,
        kept: { value: t.keptM3, dimension: 'volume' },
        share: percent(t.keptShare),
      }),
    });
  }
  return out;
}
