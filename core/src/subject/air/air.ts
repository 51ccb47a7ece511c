import { compressorPower, receiverAir } from '../../chemistry/diaphragm-pump.js';
import { airLineOf, compressorOf, cutInOf, cutOutOf, powerUp, receiversOf } from '../../energy/index.js';
import { driveOf, type Rig } from '../../rig/schema.js';
import { standingOn } from '../../deck/index.js';
import { airPressure } from '../../fluid/air.js';
import { airLineStart } from '../../hydraulics/index.js';
import type { Cases } from '../../solve/cases.js';
import { figure, input } from '../../working/figure.js';
import type { SoftPumpResult } from '../soft-pump/result.js';
import { type Verdict, worse } from '../verdict.js';
import type { AirAnswers, AirPumpResult, CompressorResult } from './result.js';

const SMOOTH = 1.5e-6;

/** What air-operated pumps breathe, and what their compressors give. */
export function assessAir(cases: Cases, softPumps: readonly SoftPumpResult[]): AirAnswers['air'] {
  const { rig, values } = cases;
  const air = airPressure(rig.brief.altitude);
  const things = rig.airLines.length ? standingOn(rig) : [];
  const breathing = rig.softPumps.flatMap((pump) => {
    const own = softPumps.find((p) => p.pumpId === pump.id);
    return pump.kind === 'air' && own?.airUse ? [{ pump, own, needM3s: own.airUse.value, at: compressorOf(rig, pump.id) }] : [];
  });
  const pumps: AirPumpResult[] = breathing.map(({ pump, own, needM3s, at }) => {
    const compressor = rig.compressors[at];
    const all = breathing.filter((b) => b.at === at);
    const needed = all.reduce((s, b) => s + b.needM3s, 0);
    // A piston sweeps the same volume of the air about it at any altitude; what thinner air costs is in the pumps' need.
    const gives = compressor?.freeAir ?? 0;
    const givenM3s = needed > gives ? (needM3s * gives) / needed : needM3s;
    const highest = Math.max(...all.map((b) => b.pump.limit));
    const stored = compressor ? receiverAir(receiversOf(rig, compressor.id), cutOutOf(compressor, values), highest, air) : 0;
    const carriesS = gives < needed ? stored / (needed - gives) : Infinity;
    // A receiver that lasts a job is full again by the next.
    const short = gives < needed && !(carriesS > 0 && carriesS >= own.sprayS);
    const way = airLineOf(rig, values, pump, things);
    const start = way ? airLineStart({ boreM: way.line.bore, lengthM: way.lengthM, roughnessM: SMOOTH }, needM3s, pump.limit + air, air) - air : pump.limit;
    let verdict: Verdict = short ? (givenM3s < values['air-starves'] * needM3s ? 'starved' : 'tight') : 'fed';
    if (compressor && has(compressor) * values['air-engine-share'] < powerOf(all)) verdict = worse(verdict, 'tight');
    if (compressor && start > cutOutOf(compressor, values)) verdict = worse(verdict, 'starved');
    else if (compressor && start > cutInOf(compressor, values)) verdict = worse(verdict, 'tight');
    return {
      pumpId: pump.id,
      compressorId: compressor?.id,
      needM3s,
      givenM3s,
      carriesS,
      short,
      lineLoss:
        way &&
        figure(start - pump.limit, 'pressure', 'air-line', [
          input('q', 'free air', needM3s, 'airFlow'),
          input('L', 'line', way.lengthM, 'length'),
          input('d', 'bore', way.line.bore, 'length'),
          input('p₂', 'at the pump', pump.limit, 'pressure'),
        ]),
      lineM: way?.lengthM,
      lineAsLaid: way?.asLaid ?? false,
      wantsPa: start,
      verdict,
    };
  });
  function has(c: Rig['compressors'][number]): number {
    return powerUp(c.power, driveOf(c), rig.brief.altitude, values);
  }
  function powerOf(all: typeof breathing): number {
    return all.reduce((s, b) => s + compressorPower(b.needM3s, b.pump.limit, air, values['compressor-efficiency']), 0);
  }
  const compressors = rig.compressors.map((c, at): CompressorResult => {
    const all = breathing.filter((b) => b.at === at);
    const own = pumps.filter((p) => p.compressorId === c.id);
    const needed = all.reduce((s, b) => s + b.needM3s, 0);
    const receiverM3 = receiversOf(rig, c.id);
    const [cutOutPa, cutInPa] = [cutOutOf(c, values), cutInOf(c, values)];
    // Between cut-in and cut-out the receiver holds so much; it fills with what is over and empties with what is drawn.
    const band = receiverAir(receiverM3, cutOutPa, cutInPa, air);
    const cycle = needed > 0 && needed < c.freeAir && band > 0 ? band / (c.freeAir - needed) + band / needed : 0;
    const first = [...own].sort((a, b) => b.wantsPa - a.wantsPa).at(0);
    return {
      compressorId: c.id,
      givesM3s: c.freeAir,
      need: figure(
        needed,
        'airFlow',
        'air-use',
        all.map((b) => input('q', b.pump.name, b.needM3s, 'airFlow')),
        ['air-surcharge'],
      ),
      power: figure(powerOf(all), 'power', 'air-use', [input('q', 'free air', needed, 'airFlow')], ['compressor-efficiency', 'air-engine-share']),
      powerHasW: has(c),
      topPowerW: compressorPower(c.freeAir, cutOutPa, air, values['compressor-efficiency']),
      cutOutPa,
      cutInPa,
      receiverM3,
      lastsS: own.length ? own[0].carriesS : Infinity,
      cyclesPerHour: cycle > 0 ? 3600 / cycle : 0,
      firstPumpId: first?.pumpId,
      tyreS: c.freeAir > 0 ? values['air-tyre'] / c.freeAir : Infinity,
      verdict: own.reduce<Verdict>((v, p) => worse(v, p.verdict), 'fed'),
    };
  });
  return { pumps, compressors };
}
