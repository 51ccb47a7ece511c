import { calledPart } from '../../catalogue/items.js';
import { message } from '../../working/figure.js';
import type { Cases } from '../../solve/cases.js';
import type { Finding } from '../finding.js';
import { finding } from '../message-parts.js';
import { pressedBy, suctionOf, weakestOf } from './plumbing.js';

/** What a suction line lacks, what will not hold the pressure, and what a sticking float does to a closed tank. */
export function plumbingFindings(cases: Cases): Finding[] {
  const { rig, values } = cases;
  const out: Finding[] = [];
  for (const m of rig.machines) {
    const subject = { kind: 'machine', id: m.id } as const;
    const weakest = weakestOf(cases, m);
    if (weakest && (weakest.gives || m.unloader.setting > weakest.ratedPa * 1.001))
      out.push(
        finding(
          'rating-low',
          weakest.gives === 'held' ? 'stop' : 'tight',
          'guns',
          subject,
          message(
            weakest.gives === 'peak'
              ? '{part} on {machine} is rated {rated}; pressure spikes to {peak} before the unloader opens.'
              : weakest.stated
                ? '{part} on {machine} is rated {rated}; the unloader doesn’t open until {set}. A burst hose whips.'
                : 'No rating set for {part} on {machine}; we assume {rated}. The unloader doesn’t open until {set}. Read the printed rating.',
            {
              part: calledPart(weakest.part),
              machine: m.name,
              rated: { value: weakest.ratedPa, dimension: 'pressure' },
              set: { value: m.unloader.setting, dimension: 'pressure' },
              peak: { value: weakest.peakPa, dimension: 'pressure' },
            },
          ),
        ),
      );
    const s = suctionOf(cases, m);
    if (!s) continue;
    if (!s.strainer)
      out.push(finding('no-strainer', 'tight', 'feed', subject, message('No strainer ahead of {machine}: debris reaches its valves.', { machine: m.name })));
    if (!s.shutOff)
      out.push(
        finding(
          'no-shut-off',
          'tight',
          'feed',
          subject,
          message('No shutoff ahead of {machine}’s strainer: you can’t clean the bowl with water in the tank.', { machine: m.name }),
        ),
      );
    const facts = {
      machine: m.name,
      lift: { value: s.liftM, dimension: 'length' as const },
      most: { value: values['dry-suction'], dimension: 'length' as const },
      air: { value: s.airM3, dimension: 'volume' as const },
      time: { value: s.primeS, dimension: 'time' as const },
    };
    if (s.boosted || s.liftM <= 0) continue;
    if (s.liftM > values['dry-suction'])
      out.push(
        finding(
          'wont-prime',
          'starved',
          'feed',
          subject,
          message('{machine} won’t prime: inlet is {lift} above the water; a dry pump lifts about {most}.', facts),
        ),
      );
    else if (!s.held)
      out.push(
        finding(
          'no-foot-valve',
          'tight',
          'feed',
          subject,
          message('{machine} sits {lift} above the water and its line drains: each start pulls {air} of air (about {time}). Add a foot or check valve.', facts),
        ),
      );
  }
  for (const t of rig.tanks) {
    const pressed = pressedBy(cases, rig, t.id);
    if (pressed > values['tank-pressure'])
      out.push(
        finding(
          'fill-presses',
          'tight',
          'fill',
          { kind: 'tank', id: t.id },
          message(
            'If {tank}’s float sticks open, pressure reaches {p} before the vent keeps up; a plastic tank takes about {most}. Fit a bigger vent or an overflow.',
            {
              tank: t.name,
              p: { value: pressed, dimension: 'pressure' },
              most: { value: values['tank-pressure'], dimension: 'pressure' },
            },
          ),
        ),
      );
  }
  return out;
}
