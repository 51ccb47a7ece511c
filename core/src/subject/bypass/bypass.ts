import { lineVolume } from '../../catalogue/part-loss.js';
import { GRAVITY } from '../../fluid/air.js';
import { WATER_SPECIFIC_HEAT } from '../../fluid/water.js';
import { velocity } from '../../hydraulics/friction.js';
import type { Line, Machine } from '../../rig/schema.js';
import { volumeAt } from '../../rig/tank-shape.js';
import { figure, input, message } from '../../working/figure.js';
import { bulkheadHeight } from '../../solve/rig-network.js';
import type { Cases } from '../../solve/cases.js';
import { partShares } from '../../solve/part-shares.js';
import type { BypassResult } from './result.js';
import type { PressureCase } from '../pressure/result.js';
import type { Finding } from '../finding.js';
import { type Verdict, worse } from '../verdict.js';

/**
 * How deep a plunging jet drives bubbles, m: D = 2.6 (V·d)^0.7 with V and d where it meets the surface; free fall
 * speeds and thins the jet. Source: McKeogh & Ervine 1981 (from memory).
 * @param boreM jet diameter where it leaves the pipe, m
 * @param fallM free fall to the surface, m (0 when the pipe ends at it)
 */
export function bubbleDepth(flowM3s: number, boreM: number, fallM: number): number {
  if (!(flowM3s > 0)) return 0;
  const v0 = velocity(flowM3s, boreM);
  const v = Math.sqrt(v0 * v0 + 2 * GRAVITY * Math.max(fallM, 0));
  const d = boreM * Math.sqrt(v0 / v);
  return 2.6 * (v * d) ** 0.7;
}

/**
 * Time until water turned round by an unloader reaches a limit, s. Heat in = pressure drop × flow of every pump; nothing is lost outside.
 * @param massKg water taking part; @param powerW of all pumps that warm it
 */
export function bypassTime(massKg: number, startK: number, limitK: number, powerW: number): number {
  if (!(powerW > 0)) return Infinity;
  return (massKg * WATER_SPECIFIC_HEAT * Math.max(limitK - startK, 0)) / powerW;
}

export function bypassLine(cases: Cases, machine: Machine): Line | undefined {
  return cases.rig.lines.find((l) => l.role === 'bypass' && !l.closed && l.from.id === machine.id);
}

export function assessBypass(cases: Cases, machine: Machine, list: readonly PressureCase[]): BypassResult {
  const { rig, values } = cases;
  const line = bypassLine(cases, machine);
  const goesTo = line?.to.at === 'tank' ? 'tank' : 'inlet';
  const tank = goesTo === 'tank' ? rig.tanks.find((t) => t.id === line!.to.id)! : undefined;
  const shut = list[0].machines.find((m) => m.machineId === machine.id);
  const pumpPressure = shut?.pumpPressurePa ?? 0;
  const ownW = pumpPressure * machine.flow;
  // Machines that return to one tank warm it together.
  const othersW = tank
    ? rig.machines.reduce((sum, m) => {
        const other = m === machine ? undefined : list[0].machines.find((x) => x.machineId === m.id);
        return other && bypassLine(cases, m)?.to.id === tank.id ? sum + other.pumpPressurePa * m.flow : sum;
      }, 0)
    : 0;
  const heatW = ownW + othersW;
  const rho = cases.asDrawn.water.densityKgM3;
  const half = tank ? volumeAt(tank.shape, cases.levelIn(tank, { level: 'half' })) : 0;
  const loopM3 = values['bypass-loop'] + (line ? lineVolume(line.parts) : 0);
  const massKg = rho * (tank ? half : loopM3);
  const limitK = values['bypass-limit'];
  const time = bypassTime(massKg, rig.brief.water, limitK, heatW);
  const backPressure = shut?.returnPressurePa ?? 0;
  const bubbles = tank && line ? bubbleCheck(cases, machine, line) : undefined;

  let verdict: Verdict = 'fed';
  if (time === 0) verdict = 'starved';
  else if (time < values['bypass-soon'] || backPressure > values['return-limit']) verdict = 'tight';
  if (bubbles && bubbles.reachesBelowLevelM > cases.levelIn(tank!, { level: 'lowest' }) + values['bubble-room']) verdict = worse(verdict, 'tight');
  return {
    machineId: machine.id,
    goesTo,
    tankId: tank?.id,
    heatW,
    minutesToLimit: figure(
      time,
      'time',
      'bypass-heat',
      [
        input('m', tank ? 'half tank' : 'loop', massKg, 'mass'),
        input('Δp', 'pump pressure in bypass', pumpPressure, 'pressure'),
        input('Q', 'machine flow', machine.flow, 'flow'),
        ...(othersW > 0 ? [input('P', 'of the others that return there', othersW, 'power')] : []),
        input('T', 'water', rig.brief.water, 'temperature'),
        input('T_limit', 'limit', limitK, 'temperature'),
      ],
      ['bypass-limit', ...(tank ? [] : (['bypass-loop'] as const)), ...(machine.unloader.kind === 'trapped-pressure' ? (['bypass-trapped'] as const) : [])],
    ),
    riseHourK: massKg > 0 ? (heatW * 3600) / (massKg * WATER_SPECIFIC_HEAT) : 0,
    backPressure: figure(backPressure, 'pressure', 'return-pressure', [input('Q', 'machine flow', machine.flow, 'flow')], ['return-limit']),
    parts: line ? partShares(cases.asDrawn, [line], () => machine.flow) : [],
    bubbles,
    verdict,
  };
}

/** Level below which the return's bubbles reach an outlet of the same tank. */
function bubbleCheck(cases: Cases, machine: Machine, line: Line): BypassResult['bubbles'] {
  const tank = cases.rig.tanks.find((t) => t.id === line.to.id)!;
  const outlets = cases.rig.lines.filter((l) => (l.role === 'feed' || l.role === 'boost') && l.from.at === 'tank' && l.from.id === tank.id && !l.closed);
  if (outlets.length === 0) return undefined;
  const outletLevel = Math.max(...outlets.map((l) => bulkheadHeight(tank, l.from) - tank.base));
  const portLevel = (line.to.height ?? tank.base + tank.fullLevel) - tank.base;
  const bore = line.parts[line.parts.length - 1]?.bore ?? 0.01905;
  // A return that ends under water drags no air in: only levels below its port count. Bubbles are taken to spread
  // sideways as far as down, which is generous to them.
  let low = outletLevel;
  let high = Math.max(portLevel, outletLevel);
  const apart = line.to.apart ?? 0;
  const reaches = (level: number): boolean => {
    const depth = bubbleDepth(machine.flow, bore, portLevel - level);
    return depth >= level - outletLevel && depth >= apart;
  };
  if (!reaches(low)) return undefined;
  if (reaches(high)) low = high;
  else
    for (let i = 0; i < 40; i++) {
      const middle = (low + high) / 2;
      if (reaches(middle)) low = middle;
      else high = middle;
    }
  const depth = bubbleDepth(machine.flow, bore, Math.max(portLevel - low, 0));
  return {
    reachesBelowLevelM: low,
    depth: figure(depth, 'length', 'bubble-depth', [
      input('Q', 'return flow', machine.flow, 'flow'),
      input('d', 'return bore', bore, 'length'),
      input('fall', 'free fall', Math.max(portLevel - low, 0), 'length'),
    ]),
  };
}

export function bypassFindings(cases: Cases, machine: Machine, result: BypassResult): Finding[] {
  const out: Finding[] = [];
  const subject = { kind: 'machine', id: machine.id } as const;
  const limit = { value: cases.values['bypass-limit'], dimension: 'temperature' as const };
  if (result.minutesToLimit.value === 0)
    out.push({
      code: 'bypass-hot',
      verdict: 'starved',
      station: 'bypass',
      subject,
      message: message('The water is at {t} to begin with, and {limit} is the most for {m}: too hot to pump at all.', {
        m: machine.name,
        limit,
        t: { value: cases.rig.brief.water, dimension: 'temperature' },
      }),
    });
  else if (result.goesTo === 'inlet' && result.minutesToLimit.value < cases.values['bypass-soon'])
    out.push({
      code: 'bypass-hot',
      verdict: 'tight',
      station: 'bypass',
      subject,
      message: message('Trigger off, {m} loops the same water and hits {limit} in {t}. Plumb the bypass to the tank, or shut it down.', {
        m: machine.name,
        limit,
        t: { value: result.minutesToLimit.value, dimension: 'time' },
      }),
    });
  else if (result.goesTo === 'tank' && result.minutesToLimit.value < cases.values['bypass-tank-soon'])
    out.push({
      code: 'bypass-warm',
      verdict: 'tight',
      station: 'bypass',
      subject,
      message: message('Half a tank warms to {limit} in {t} of bypass with {m}.', {
        m: machine.name,
        limit,
        t: { value: result.minutesToLimit.value, dimension: 'time' },
      }),
    });
  if (result.backPressure.value > cases.values['return-limit'])
    out.push({
      code: 'return-tight',
      verdict: 'tight',
      station: 'bypass',
      subject,
      message: message('{m}’s bypass hose has {p} of back-pressure. Go up a size.', {
        m: machine.name,
        p: { value: result.backPressure.value, dimension: 'pressure' },
      }),
    });
  const tank = cases.rig.tanks.find((t) => t.id === result.tankId);
  if (tank && result.bubbles && result.bubbles.reachesBelowLevelM > cases.levelIn(tank, { level: 'lowest' }) + cases.values['bubble-room'])
    out.push({
      code: 'return-bubbles',
      verdict: 'tight',
      station: 'bypass',
      subject,
      message: message('Below {level} of water in {tank}, bubbles from the return of {m} reach the outlet: the pump shakes before the tank is empty.', {
        level: { value: result.bubbles.reachesBelowLevelM, dimension: 'length' },
        tank: tank.name,
        m: machine.name,
      }),
    });
  return out;
}
