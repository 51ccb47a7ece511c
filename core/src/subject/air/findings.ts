import type { Rig } from '../../rig/schema.js';
import type { AssumptionValues } from '../../assumption/register.js';
import { message } from '../../working/figure.js';
import type { Finding } from '../finding.js';
import { finding } from '../message-parts.js';
import type { AirAnswers } from './result.js';

/** What breathes too little, a compressor too weak for its air, a pressure that it does not hold. */
export function airFindings(rig: Rig, { pumps, compressors }: AirAnswers['air'], values: AssumptionValues): Finding[] {
  const out: Finding[] = [];
  for (const p of pumps) {
    const name = rig.softPumps.find((x) => x.id === p.pumpId)!.name;
    const subject = { kind: 'soft-pump', id: p.pumpId } as const;
    const compressor = compressors.find((c) => c.compressorId === p.compressorId);
    const shared = pumps.filter((x) => x.compressorId === p.compressorId).length > 1;
    if (p.short)
      out.push(
        finding(
          'air-short',
          p.givenM3s < values['air-starves'] * p.needM3s ? 'starved' : 'tight',
          'electrics',
          subject,
          message(
            `{pump} uses {a} of free air; the compressor makes {b} at this altitude${shared ? ', shared out among its pumps' : ''}${p.carriesS > 0 ? ', and its receiver makes up for it for {t}' : ''}.`,
            {
              pump: name,
              a: { value: p.needM3s, dimension: 'airFlow' },
              b: { value: shared ? p.givenM3s : (compressor?.givesM3s ?? 0), dimension: 'airFlow' },
              t: { value: p.carriesS, dimension: 'time' },
            },
          ),
        ),
      );
    if (compressor && p.wantsPa > compressor.cutInPa)
      out.push(
        finding(
          'air-low',
          p.wantsPa > compressor.cutOutPa ? 'starved' : 'tight',
          'electrics',
          subject,
          message(
            p.lineLoss && p.lineLoss.value > 0.01 * p.wantsPa
              ? '{pump} needs {p} after the compressor, {l} of it for its air line; the compressor starts again only at {in} and rests at {out}.'
              : '{pump} needs {p}; the compressor starts again only at {in} and rests at {out}.',
            {
              pump: name,
              p: { value: p.wantsPa, dimension: 'pressure' },
              l: { value: p.lineLoss?.value ?? 0, dimension: 'pressure' },
              in: { value: compressor.cutInPa, dimension: 'pressure' },
              out: { value: compressor.cutOutPa, dimension: 'pressure' },
            },
          ),
        ),
      );
  }
  for (const c of compressors) {
    const compressor = rig.compressors.find((x) => x.id === c.compressorId)!.name;
    const has = { value: c.powerHasW, dimension: 'power' as const };
    if (c.powerHasW < 0.98 * c.topPowerW)
      out.push(
        finding(
          'air-stalls',
          'tight',
          'electrics',
          { kind: 'compressor', id: c.compressorId },
          message('{compressor} needs {a} to reach its cut-out of {out}; its engine gives {b}: it bogs down before, and never rests.', {
            compressor,
            a: { value: c.topPowerW, dimension: 'power' },
            b: has,
            out: { value: c.cutOutPa, dimension: 'pressure' },
          }),
        ),
      );
    // What is short of air is told as that.
    if (pumps.some((p) => p.compressorId === c.compressorId && p.short) || !(c.powerHasW * values['air-engine-share'] < c.power.value)) continue;
    out.push(
      finding(
        'air-weak',
        c.powerHasW < 0.9 * c.power.value ? 'starved' : 'tight',
        'electrics',
        { kind: 'compressor', id: c.compressorId },
        message('{compressor} needs {a} at its shaft for the air drawn from it; its engine has {b}.', {
          compressor,
          a: { value: c.power.value, dimension: 'power' },
          b: has,
        }),
      ),
    );
  }
  return out;
}
