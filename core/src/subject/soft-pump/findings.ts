import type { Rig } from '../../rig/schema.js';
import type { Cases } from '../../solve/cases.js';
import type { Finding, About } from '../finding.js';
import { finding } from '../message-parts.js';
import type { SoftPumpAnswers, SoftPumpResult } from './result.js';
import { DRY } from '../../solve/solved.js';
import { message } from '../../working/figure.js';

/** Nothing, or too little to work with, comes out of what a pump feeds. */
function thinFinding(rig: Rig, p: SoftPumpResult, pump: string, subject: About, starves: number): Finding {
  const gun = rig.sprayers.find((s) => s.id === p.sprayerId)!.name;
  if (p.flow.value > DRY)
    return finding(
      'gun-thin',
      p.flow.value < p.leastFlow * starves ? 'starved' : 'tight',
      'machines',
      subject,
      message('{pump} brings {q} to {gun}; it needs at least {w}.', {
        pump,
        gun,
        q: { value: p.flow.value, dimension: 'flow' },
        w: { value: p.leastFlow, dimension: 'flow' },
      }),
    );
  return finding(
    'gun-dry',
    'starved',
    'machines',
    subject,
    message('{pump} brings nothing to {gun}: it is {h} above what it draws from, and the pump lifts {most}.', {
      pump,
      gun,
      h: { value: p.liftM, dimension: 'length' },
      most: { value: p.liftsM, dimension: 'length' },
    }),
  );
}

export function pumpFindings(cases: Cases, r: SoftPumpAnswers['chemical']): Finding[] {
  const { rig, values } = cases;
  return r.softPumps.flatMap((p) => {
    const pump = rig.softPumps.find((x) => x.id === p.pumpId)!;
    const subject = { kind: 'soft-pump', id: pump.id } as const;
    const out: Finding[] = [];
    if (p.flow.value <= DRY || p.flow.value < p.leastFlow) out.push(thinFinding(rig, p, pump.name, subject, values['spray-starves']));
    if (p.flow.value > DRY && p.reachWantedM > 0 && p.jetHeight.value < p.reachWantedM)
      out.push(
        finding(
          'jet-low',
          p.jetHeight.value < values['jet-starves'] * p.reachWantedM ? 'starved' : 'tight',
          'machines',
          subject,
          message('The jet of {pump} climbs {h}; the work is {w} above it.', {
            pump: pump.name,
            h: { value: p.jetHeight.value, dimension: 'length' },
            w: { value: p.reachWantedM, dimension: 'length' },
          }),
        ),
      );
    return out;
  });
}
