import { POUND_HP_HOUR } from '../../quantity/dimension.js';
import { lineVolume } from '../../catalogue/part-loss.js';
import { airUse, compressorPower, pumpCurve } from '../../chemistry/diaphragm-pump.js';
import { airPressure, GRAVITY } from '../../fluid/air.js';
import { jetHeight } from '../../hydraulics/outflow.js';
import type { Rig, SoftPump } from '../../rig/schema.js';
import { type Blends, diaphragmOf, suppliedOf, wayOf } from '../../solve/blend-network.js';
import { carriedStrengths, startLevels } from '../../solve/blend-start.js';
import { DRY } from '../../solve/solved.js';
import type { Cases } from '../../solve/cases.js';
import { wantedStrength } from '../../solve/consumption.js';
import { currentFigure } from '../../solve/pump-current.js';
import type { MixResult } from '../mix/result.js';
import type { SoftPumpResult } from './result.js';
import { type Verdict, worse } from '../verdict.js';
import { figure, input } from '../../working/figure.js';

/** Spraying of a day through one pump, s. */
function daySeconds(mixes: readonly MixResult[], pumpId: string): number {
  return mixes.filter((m) => m.pumpId === pumpId && m.flow.value > 0).reduce((s, m) => s + m.dayM3.value / m.flow.value, 0);
}

/** Jobs of a day that are sprayed through one pump. */
const dayJobs = (mixes: readonly MixResult[], pumpId: string): number => mixes.reduce((s, m) => (m.pumpId === pumpId ? s + m.jobsPerDay : s), 0);

/** A pump with a whole way: where its curve meets hose and tip, how high it throws, what it eats in a day. Undefined for any other. */
export function assessSoftPump(cases: Cases, blends: Blends, mixes: readonly MixResult[], pump: SoftPump): SoftPumpResult | undefined {
  const { rig, values } = cases;
  const mix = rig.mixes.find((m) => wayOf(rig, m)?.pump.id === pump.id);
  const way = mix && wayOf(rig, mix);
  const net = mix && blends.of(mix);
  if (!mix || !way || !net) return undefined;
  const half = startLevels(net).map((x) => x / 2);
  const strengths = carriedStrengths(net, wantedStrength(mix, values));
  const state = net.solve(half, false, strengths);
  const elbows = net.withoutElbows(half, strengths);
  const rhoG = net.water.densityKgM3 * GRAVITY;
  const head = state.tipPressurePa / (rhoG * state.gravity);
  const height = way.sprayer.kind === 'jet' ? jetHeight(head, way.sprayer.nozzleBore) : 0;
  const site = rig.site?.height ?? 0;
  const reachWanted = way.sprayer.kind === 'jet' ? Math.max(site - way.sprayer.height, 0) : 0;
  const air = airPressure(rig.brief.altitude);
  const day = daySeconds(mixes, pump.id);
  const airFlow = airUse(state.flowM3s, pump.limit, air, values['air-surcharge']);
  const jobs = dayJobs(mixes, pump.id);
  const spray = jobs > 0 ? day / jobs : 0;
  const airW = compressorPower(airFlow, pump.limit, air, values['compressor-efficiency']);
  const shaft = pump.kind === 'engine' ? (state.flowM3s * state.pumpRisePa) / values['pump-efficiency'] : pump.kind === 'air' ? airW : 0;
  const leastFlow = values[way.sprayer.kind === 'brush' ? 'brush-flow' : 'spray-flow'];
  let verdict: Verdict = state.flowM3s <= DRY || state.flowM3s < leastFlow * values['spray-starves'] ? 'starved' : state.flowM3s < leastFlow ? 'tight' : 'fed';
  if (reachWanted > 0 && height < reachWanted) verdict = worse(verdict, height < values['jet-starves'] * reachWanted ? 'starved' : 'tight');
  const curve = pumpCurve(diaphragmOf(rig, pump, values), net.water.densityKgM3)
    .filter((p) => p.headM >= 0)
    .map((p) => ({ flowM3s: p.flowM3s, pressurePa: p.headM * rhoG }));
  return {
    pumpId: pump.id,
    sprayerId: way.sprayer.id,
    lineIds: [...way.branches, ...(way.suction ? [way.suction] : []), way.delivery].map((l) => l.id),
    flow: figure(state.flowM3s, 'flow', 'pump-duty', [input('Δp', 'pump', state.pumpRisePa, 'pressure')], ['roughness-smooth']),
    rise: figure(state.pumpRisePa, 'pressure', 'pump-duty', [input('Q', 'flow', state.flowM3s, 'flow')]),
    tipPressure: figure(state.tipPressurePa, 'pressure', 'pump-duty', [input('Q', 'flow', state.flowM3s, 'flow')]),
    liftM: way.sprayer.height - Math.min(...net.branches.map((b, i) => (b.tank ? b.tank.base + half[i] : pump.height))),
    liftsM: pump.limit / (rhoG * state.gravity),
    leastFlow,
    jetHeight: figure(height, 'length', 'jet-height', [input('h', 'head at the tip', head, 'length'), input('d', 'tip', way.sprayer.nozzleBore, 'length')]),
    jetThrow: figure(height * values['jet-throw'], 'length', 'jet-height', [input('H', 'straight up', height, 'length')], ['jet-throw']),
    reachWantedM: reachWanted,
    elbows: {
      count: elbows.count,
      shareByPhysics: elbows.count > 0 && elbows.flowM3s > 0 ? 1 - Math.min(state.flowM3s / elbows.flowM3s, 1) : 0,
      shareByRule: 1 - (1 - values['elbow-rule']) ** elbows.count,
    },
    curve,
    asks: asksOf(state.flowM3s, state.pumpRisePa, (way.sprayer.height - pump.height) * rhoG * state.gravity),
    daySeconds: day,
    current: pump.kind === 'electric' ? currentFigure(state.flowM3s, state.pumpRisePa, suppliedOf(rig, pump, values)) : undefined,
    airUse:
      pump.kind === 'air'
        ? figure(airFlow, 'airFlow', 'air-use', [input('Q', 'liquid', state.flowM3s, 'flow'), input('p', 'air', pump.limit, 'pressure')], ['air-surcharge'])
        : undefined,
    sprayS: spray,
    airPower: pump.kind === 'air' ? figure(airW, 'power', 'air-use', [input('q', 'free air', airFlow, 'airFlow')], ['compressor-efficiency']) : undefined,
    fuelDayKg: shaft * day * values['engine-fuel'] * POUND_HP_HOUR,
    bypassLimitS: values['chem-bypass-limit'],
    spare: pump.spare ?? false,
    verdict,
  };
}

/** What hose and tip ask at other flows: height, and the rest with the square. */
function asksOf(flow: number, risePa: number, liftPa: number): { flowM3s: number; pressurePa: number }[] {
  const rest = Math.max(risePa - liftPa, 0);
  return Array.from({ length: 21 }, (_, i) => ({ flowM3s: (flow * 1.4 * i) / 20, pressurePa: Math.max(liftPa, 0) + rest * ((1.4 * i) / 20) ** 2 }));
}

/** Liquid in a pump's lines, m³. */
export const pumpCircuit = (rig: Rig, result: SoftPumpResult): number =>
  rig.lines.filter((l) => result.lineIds.includes(l.id)).reduce((s, l) => s + lineVolume(l.parts), 0);
