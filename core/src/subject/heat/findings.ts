import type { Rig } from '../../rig/schema.js';
import { message } from '../../working/figure.js';
import type { Finding } from '../finding.js';
import { finding } from '../message-parts.js';
import type { BurnerResult } from './result.js';

/** Water hotter than what carries it stands; a burner on the wrong fuel, or one that does not get it hot. */
export function heatFindings(rig: Rig, burners: readonly BurnerResult[]): Finding[] {
  return burners.flatMap((b) => {
    const { name, fuel } = rig.burners.find((x) => x.id === b.burnerId)!;
    const subject = { kind: 'burner', id: b.burnerId } as const;
    const out: Finding[] = [];
    if (b.verdict === 'stop')
      out.push({
        ...finding(
          'too-hot',
          'stop',
          'fuel',
          subject,
          message('{burner} is set to {t}; {part} behind it stands {max}. Hot water bursts a hose that is made for cold.', {
            burner: name,
            t: { value: b.setK, dimension: 'temperature' },
            part: b.weakest!.part,
            max: { value: b.weakest!.standsK, dimension: 'temperature' },
          }),
        ),
        also: [{ kind: 'line', id: b.weakest!.lineId }],
      });
    if (fuel === 'petrol')
      out.push(
        finding(
          'burner-fuel',
          'stop',
          'fuel',
          subject,
          message('{burner} is set to burn ‹gasoline›: its ‹vapor› explodes in a firebox. Burn diesel or kerosene only.', { burner: name }),
        ),
      );
    if (!b.reaches)
      out.push(
        finding(
          'not-hot',
          'tight',
          'fuel',
          subject,
          message('{burner} warms the whole flow to {t}; its thermostat is set to {set}.', {
            burner: name,
            t: { value: b.out.value, dimension: 'temperature' },
            set: { value: b.setK, dimension: 'temperature' },
          }),
        ),
      );
    return out;
  });
}
