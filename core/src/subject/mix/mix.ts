import { stockOfTank } from '../../solve/loaded.js';
import { WATER_KG_M3 } from '../../fluid/water.js';
import { type Soap, soapsOf } from '../../solve/soaps.js';
import { GALLON } from '../../quantity/dimension.js';
import type { AssumptionValues } from '../../assumption/register.js';
import { lineVolume } from '../../catalogue/part-loss.js';
import { drawnStrength } from '../../chemistry/dilution.js';
import { volumesFor } from '../../chemistry/flush.js';
import type { Mix } from '../../rig/schema.js';
import type { Rig } from '../../rig/schema.js';
import { fullDepth, startDepth, shapeHeight, volumeAt } from '../../rig/tank-shape.js';
import { type Blends, drawHeight } from '../../solve/blend-network.js';
import type { Cases } from '../../solve/cases.js';
import type { Stock, Stocks } from '../../solve/stock.js';
import { wantedStrength, washNeeds } from '../../solve/consumption.js';
import { byLevel, recipeFor, sprayDay, strayCases, streamsOf } from './blended-mix.js';
import { carriedStrengths, startLevels } from '../../solve/blend-start.js';
import { drawLevel, drawnAt, drawnWay } from './drawn-mix.js';
import type { MixCase, MixResult } from './result.js';
import { settingsFor } from './settings.js';
import { hoseIn } from '../../solve/paths.js';
import { type Verdict, worse } from '../verdict.js';
import { figure, input } from '../../working/figure.js';

/** What each way of mixing shares: need, cost, weight. */
interface Common {
  readonly rig: Rig;
  readonly values: AssumptionValues;
  readonly mix: Mix;
  readonly stock: Stock;
  readonly soaps: readonly { readonly stock: Stock; readonly dose: number; readonly by: Soap['by'] }[];
  readonly wanted: number;
  readonly dayM3: number;
  readonly jobM3: number;
  readonly jobsPerDay: number;
}

/** Whether a mix is made before a pump of its own; else it is drawn into a washer's water, or by a nozzle. */
export const blended = (mix: Mix): boolean => mix.way !== 'downstream' && mix.way !== 'nozzle';

/** What reaches the wall by a mix; undefined when its way is not whole. */
export function assessMix(cases: Cases, stocks: Stocks, blends: Blends, mix: Mix): MixResult | undefined {
  const { rig, values } = cases;
  const needs = washNeeds(rig, mix, values);
  const dayM3 = needs.reduce((s, n) => s + n.mixM3 * n.perDay, 0);
  const jobs = needs.reduce((s, n) => s + n.perDay, 0);
  const common: Common = {
    rig,
    values,
    mix,
    stock: stocks.of(mix.stock),
    soaps: soapsOf(rig, mix).map((s) => ({ stock: stocks.of(s.liquid), dose: s.dose, by: s.by })),
    wanted: wantedStrength(mix, values),
    dayM3,
    jobM3: jobs > 0 ? dayM3 / jobs : 0,
    jobsPerDay: jobs,
  };
  return blended(mix) ? assessBlended(blends, common) : assessDrawn(cases, stocks, common);
}

function assessBlended(blends: Blends, c: Common): MixResult | undefined {
  const { rig, mix, wanted } = c;
  const net = blends.of(mix);
  if (!net) return undefined;
  const { way } = net;
  const finished = mix.way !== 'proportioner';
  const strengths = carriedStrengths(net, wanted);
  const state = net.solve(startLevels(net), false, strengths);
  const streams = streamsOf(net, state, strengths);
  const day = sprayDay(net, c.dayM3, strengths);
  const strayed = strayCases(net, strengths, day.levels);
  const set = finished
    ? { settings: [], reachable: c.stock.today >= wanted }
    : settingsFor(net, startLevels(net), wanted, new Map(c.soaps.flatMap((s) => (s.by === 'metered' ? [[s.stock.liquid.id, s.dose] as const] : []))));
  const tank = finished ? net.branches[0]?.tank : undefined;
  const top = tank ? fullDepth(tank) : 0;
  const recipe =
    tank &&
    recipeFor(
      volumeAt(tank.shape, top),
      wanted,
      c.stock.today,
      c.soaps.reduce((sum, s) => sum + s.dose, 0),
      mix.left,
    );
  const hoseM = hoseIn([way.delivery]);
  const hoseM3 = lineVolume([...(way.suction?.parts ?? []), ...way.delivery.parts]);
  const carried = net.branches.reduce((s, b) => {
    if (!b.tank) return s;
    const filled = rig.lines.some((l) => l.role === 'fill' && l.to.at === 'tank' && l.to.id === b.tank!.id);
    return filled ? s : s + volumeAt(b.tank.shape, startDepth(b.tank)) * WATER_KG_M3 * b.gravity;
  }, 0);
  const unrinsed =
    mix.flush === 'through' || finished
      ? []
      : net.branches
          .filter((b) => b.stock.liquid.kind !== 'water')
          .flatMap((b) =>
            b.line.parts.filter((p) => p.kind === 'valve' || (p.kind === 'fitting' && p.is === 'check-valve')).map((p) => `${p.name} (${b.stock.liquid.name})`),
          );
  // Without a recipe the strength is what the tank was said to hold; with one it is as mixed.
  return finish(c, {
    pumpId: way.pump.id,
    sprayerId: way.sprayer.id,
    first: state.strength,
    flowM3s: state.flowM3s,
    streams,
    settings: set.settings,
    reachable: set.reachable && (mix.way !== 'batch' || !!recipe),
    cases: strayed,
    series: { timeS: day.timeS, strength: day.strength },
    byLevel: byLevel(net, strengths),
    recipe,
    carriedKg: carried,
    hoseM,
    hoseM3,
    unrinsed,
    stockShare: mix.way === 'proportioner' ? (streams.find((s) => s.liquidId === mix.stock)?.share ?? 0) : c.stock.today > 0 ? wanted / c.stock.today : 0,
    assumptions: ['roughness-smooth'],
    equation: finished ? 'dilution' : 'blend',
    // A draw stick's bucket is filled again; a tank of finished mix is not.
    ranOut: mix.way !== 'draw-stick' && net.branches.some((b, i) => b.tank && day.levels[i] <= drawHeight(b) + 1e-9) && Number.isFinite(day.ranOut),
  });
}

function assessDrawn(cases: Cases, stocks: Stocks, c: Common): MixResult | undefined {
  const { rig, mix } = c;
  const way = drawnWay(cases, stocks, mix);
  if (!way) return undefined;
  const tank = rig.tanks.find((t) => t.id === way.tankId);
  const drawn = tank ? stocks.in(tank) : c.stock;
  const today = drawn.today;
  const start = drawLevel(rig, way);
  const ratio = way.ratioAt(start);
  const flow = way.waterM3s * (1 + ratio);
  const base = tank ? (way.line.from.height ?? tank.base) : 0;
  const lowest = tank ? Math.max(base - tank.base, 0) : 0;
  // The tank falls by what is drawn over the day.
  const series = { timeS: [] as number[], strength: [] as number[] };
  let level = start;
  let time = 0;
  for (let i = 0; i <= 24; i++) {
    const r = way.ratioAt(level);
    series.timeS.push(time);
    series.strength.push(drawnAt(way, today, level));
    if (!(r > 0) || !(c.dayM3 > 0)) break;
    const dt = c.dayM3 / 24 / (way.waterM3s * (1 + r));
    time += dt;
    if (tank) level = Math.max(level - (way.waterM3s * r * dt) / (volumeAt(tank.shape, shapeHeight(tank.shape)) / shapeHeight(tank.shape)), lowest);
  }
  const of = (label: string, s: number, r: number): MixCase => ({ label, strength: s, flowM3s: way.waterM3s * (1 + r) });
  const strayed: MixCase[] = [
    of('first minute', drawnAt(way, today, start), ratio),
    of('last minute', drawnAt(way, today, level), way.ratioAt(level)),
    of('stock almost gone', drawnAt(way, today, lowest), way.ratioAt(lowest)),
  ];
  if (mix.way === 'downstream') {
    strayed.push(of('hose twice as long', drawnAt(way, today, start, 2), way.ratioAt(start, 2)));
    strayed.push(of('soap nozzle three quarters as large', drawnStrength(today, way.ratioAt(start, 1, 0, 0.75)), way.ratioAt(start, 1, 0, 0.75)));
    strayed.push(of('gun 15 ft higher', drawnAt(way, today, start, 1, 4.572), way.ratioAt(start, 1, 4.572)));
  }
  return finish(c, {
    pumpId: undefined,
    sprayerId: undefined,
    first: drawnAt(way, today, start),
    flowM3s: flow,
    streams: [
      {
        lineId: way.hoses[0]?.id ?? way.line.id,
        tankId: undefined,
        liquidId: undefined,
        kind: 'water',
        name: 'Water',
        flowM3s: way.waterM3s,
        share: 1 / (1 + ratio),
        strength: 0,
      },
      {
        lineId: way.line.id,
        tankId: way.tankId,
        liquidId: tank?.holds,
        kind: drawn.liquid.kind,
        name: tank?.name ?? drawn.liquid.name,
        flowM3s: way.waterM3s * ratio,
        share: ratio / (1 + ratio),
        strength: today,
      },
    ],
    settings: [],
    reachable: drawnAt(way, today, start) >= c.wanted * 0.99,
    cases: strayed,
    series,
    byLevel: tank
      ? Array.from({ length: 9 }, (_, k) => ({
          share: (lowest + (start - lowest) * (1 - k / 8)) / Math.max(start, 1e-6),
          strength: drawnAt(way, today, lowest + (start - lowest) * (1 - k / 8)),
        }))
      : [],
    recipe: undefined,
    carriedKg: tank ? volumeAt(tank.shape, start) * stockOfTank(stocks, tank) : 0,
    hoseM: hoseIn(way.hoses),
    hoseM3: way.hoseM3,
    unrinsed: [],
    stockShare: ratio / (1 + ratio),
    assumptions: ['roughness-smooth'],
    equation: 'draw-ratio',
    ranOut: false,
  });
}

interface Told {
  readonly pumpId: string | undefined;
  readonly sprayerId: string | undefined;
  readonly first: number;
  readonly flowM3s: number;
  readonly streams: MixResult['streams'];
  readonly settings: MixResult['settings'];
  readonly reachable: boolean;
  readonly cases: readonly MixCase[];
  readonly series: MixResult['series'];
  readonly byLevel: MixResult['byLevel'];
  readonly recipe: MixResult['recipe'];
  readonly carriedKg: number;
  /** Hose to the gun, m, and what it holds with all that leads to it, m³. */
  readonly hoseM: number;
  readonly hoseM3: number;
  readonly unrinsed: readonly string[];
  readonly stockShare: number;
  readonly assumptions: readonly string[];
  readonly equation: 'blend' | 'dilution' | 'draw-ratio';
  readonly ranOut: boolean;
}

/** How far a strength strays from what is wanted, told as a verdict: weaker and stronger alike. */
export function strengthVerdict(strength: number, wanted: number, values: AssumptionValues): Verdict {
  if (!(wanted > 0)) return 'fed';
  const off = Math.abs(strength / wanted - 1);
  return off > values['mix-limit'] ? 'starved' : off > values['mix-tolerance'] ? 'tight' : 'fed';
}

function finish(c: Common, t: Told): MixResult {
  const { mix, values, wanted, stock } = c;
  const last = t.series.strength[t.series.strength.length - 1] ?? t.first;
  const all = t.cases.map((x) => x.strength);
  const volumes = Math.max(values['flush-volumes'], volumesFor(values['flush-clean']));
  const flushM3 = t.hoseM3 * volumes;
  // Valves and draw lines are changed at the rig; an injector at the gun, or one switched from there, where the work is.
  const atWall = mix.way === 'nozzle' || (mix.way === 'downstream' && mix.injector!.remote);
  const walkM = atWall ? 0 : 2 * (c.rig.site?.distance ?? t.hoseM);
  const walkS = walkM > 0 ? walkM / values['walk-speed'] : 0;
  const stockJob = c.jobM3 * t.stockShare;
  const soaps = c.soaps.map((s) => {
    const share = s.by === 'metered' ? (t.streams.find((x) => x.liquidId === s.stock.liquid.id)?.share ?? s.dose) : s.dose;
    return { liquidId: s.stock.liquid.id, name: s.stock.liquid.name, share, dose: s.dose, perJobM3: c.jobM3 * share };
  });
  const soapJob = soaps.reduce((sum, s) => sum + s.perJobM3, 0);
  const cost = (stockJob * stock.liquid.price + soaps.reduce((sum, s, i) => sum + s.perJobM3 * c.soaps[i].stock.liquid.price, 0)) / GALLON;
  const verdict = worse(
    worse(strengthVerdict(t.first, wanted, values), strengthVerdict(last, wanted, values) === 'starved' ? 'starved' : strengthVerdict(last, wanted, values)),
    t.ranOut ? 'starved' : 'fed',
  );
  const strength = (value: number) =>
    figure(
      value,
      'ratio',
      t.equation,
      t.streams.flatMap((s) => [input('Q', s.name, s.flowM3s, 'flow'), input('c', `${s.name}, trade`, s.strength, 'ratio')]),
      t.assumptions as never,
    );
  return {
    mixId: mix.id,
    way: mix.way,
    pumpId: t.pumpId,
    sprayerId: t.sprayerId,
    wanted: mix.wanted === undefined ? figure(wanted, 'ratio', 'assumed', [], [`wash-${mix.surface}-strength`]) : figure(wanted, 'ratio', 'given'),
    first: strength(t.first),
    last: strength(last),
    lowest: Math.min(t.first, last, ...all),
    highest: Math.max(t.first, last, ...all),
    flow: figure(
      t.flowM3s,
      'flow',
      'network',
      t.streams.map((s) => input('Q', s.name, s.flowM3s, 'flow')),
    ),
    streams: t.streams,
    settings: t.settings,
    reachable: t.reachable,
    cases: t.cases,
    series: t.series,
    byLevel: t.byLevel,
    dayM3: figure(c.dayM3, 'volume', 'coverage', [], [`wash-${mix.surface}-coverage`, `wash-${mix.surface}-passes`]),
    jobsPerDay: c.jobsPerDay,
    stockPerJob: figure(stockJob, 'volume', 'dilution', [
      input('V₂', 'mix for a job', c.jobM3, 'volume'),
      input('C₂', 'at the wall', wanted, 'ratio'),
      input('C₁', 'stock today', stock.today, 'ratio'),
    ]),
    soaps,
    soapPerJobM3: soapJob,
    waterPerJobM3: Math.max(c.jobM3 - stockJob - soapJob, 0),
    costPerJob: figure(cost, 'money', 'stock-cost', [input('V', 'stock for a job', stockJob, 'volume'), input('V', 'soap for a job', soapJob, 'volume')]),
    recipe: t.recipe,
    carried: figure(t.carriedKg, 'mass', 'stock-weight', []),
    changeOver: figure(
      t.flowM3s > 0 ? t.hoseM3 / t.flowM3s + walkS : Infinity,
      'time',
      'mix-change',
      [input('V', 'way to the tip', t.hoseM3, 'volume'), input('Q', 'flow', t.flowM3s, 'flow'), input('t_walk', 'to the rig and back', walkS, 'time')],
      atWall ? [] : ['walk-speed'],
    ),
    walkS,
    flushVolume: figure(
      flushM3,
      'volume',
      'flush',
      [input('n', 'line volumes', volumes, 'number'), input('V', 'way to the tip', t.hoseM3, 'volume')],
      ['flush-volumes'],
    ),
    flushTime: figure(t.flowM3s > 0 ? flushM3 / t.flowM3s : Infinity, 'time', 'flush', [
      input('V', 'flush', flushM3, 'volume'),
      input('Q', 'flow', t.flowM3s, 'flow'),
    ]),
    unrinsed: t.unrinsed,
    verdict,
  };
}
