import { compressorOf } from '../energy/index.js';
import type { AssumptionValues } from '../assumption/register.js';
import type { Cases } from '../solve/cases.js';
import { BlendNetwork, drawHeight, suppliedOf, wayOf } from '../solve/blend-network.js';
import { carriedStrengths } from '../solve/blend-start.js';
import { DRY } from '../solve/solved.js';
import { wantedStrength } from '../solve/consumption.js';
import { drawnWay } from '../subject/mix/drawn-mix.js';
import { type Lists, Reading } from '../assess/again/reading.js';
import { sameList } from '../same-list.js';
import { mixMadeIn, type Stocks } from '../solve/stock.js';
import { airUse, compressorPower, pumpCurrent } from '../chemistry/diaphragm-pump.js';
import { airPressure, GRAVITY } from '../fluid/air.js';
import { jetHeight } from '../hydraulics/outflow.js';
import type { Mix } from '../rig/schema.js';
import type { Rig } from '../rig/schema.js';
import { fullDepth } from '../rig/tank-shape.js';
import { hoseIn } from '../solve/paths.js';
import type { Reach } from './reach.js';
import { tidy } from './tidy.js';

/** Points along each tank's level, by how many tanks a mix draws on. */
const POINTS = [0, 13, 9, 7, 5, 3, 3] as const;

/** A mix as a table over the levels of its tanks. SI. */
export interface SoftTable {
  readonly mixId: string;
  readonly outletId: string | undefined;
  readonly pumpId: string | undefined;
  readonly electric: boolean;
  /** Place in the rig's tanks of each branch; −1 for one that is not from a tank. */
  readonly tanks: readonly number[];
  readonly stock: readonly boolean[];
  /** Trade share of each branch, and of water mixed in by an injector 0. */
  readonly strengths: Float64Array;
  readonly low: Float64Array;
  readonly high: Float64Array;
  readonly points: Int32Array;
  /** Rows of: flow of each branch, water besides (injector), current. */
  readonly rows: Float64Array;
  readonly width: number;
  /** Its engine, or its compressor: which, and what it gives at its shaft, tanks full, W. */
  readonly engineId: string | undefined;
  readonly shaftW: number;
  /** Free air of the pump at full tanks, m³/s; 0 for other pumps. */
  readonly air: number;
  /** Nothing comes out of the gun, tanks full. */
  readonly dry: boolean;
  /** The gun at the end of its hose; undefined for an injector, which uses the washer's. */
  readonly reach: ({ readonly id: string; readonly name: string } & Reach) | undefined;
  /** Air pressure that it works at, gauge, Pa. */
  readonly airPa: number;
  readonly wanted: number;
}

/** The lines of a mix and of its pump, and what they join. */
function wayOfMix(rig: Rig, mix: Mix): readonly unknown[] {
  const lines = rig.lines.filter((l) => l.role === 'chemical');
  const pump = lines.find((l) => l.from.at === 'mix' && l.from.id === mix.id && l.to.at === 'soft-pump')?.to.id;
  const own = lines.filter((l) => [l.from, l.to].some((e) => (e.at === 'mix' && e.id === mix.id) || (e.at === 'soft-pump' && e.id === pump)));
  const joined = (things: readonly { readonly id: string }[], at: 'tank' | 'sprayer' | 'soft-pump'): readonly unknown[] =>
    things.filter((x) => own.some((l) => [l.from, l.to].some((e) => e.at === at && e.id === x.id)));
  return [
    ...own,
    ...joined(rig.softPumps, 'soft-pump'),
    ...joined(rig.sprayers, 'sprayer'),
    ...joined(rig.tanks, 'tank'),
    ...rig.tanks.map((t) => mixMadeIn(rig, t)?.id),
  ];
}

/** Tables that were worked out before, with what they hang on: for a like rig, whose branches that have not changed are the same objects. */
export class SoftBook {
  private readonly tables = new Map<string, { readonly reads: readonly unknown[]; readonly table: SoftTable | undefined }>();
  private lists: Lists = new Map();

  /** A mix's table: the one of before where nothing that it hangs on has changed. The first rig's are kept. */
  *of(cases: Cases, mix: Mix, make: () => Generator<void, SoftTable | undefined>): Generator<void, SoftTable | undefined> {
    const { rig } = cases;
    const reading = new Reading(rig, () => cases, this.lists);
    // Places of tanks and compressors are in it.
    const reads = [reading.list('chemistry'), ...wayOfMix(rig, mix), ...rig.tanks.map((t) => t.id), ...rig.compressors.map((c) => c.id)];
    const known = this.tables.get(mix.id);
    if (known && sameList(known.reads, reads)) return known.table;
    const table = yield* make();
    if (!known) {
      this.tables.set(mix.id, { reads, table });
      this.lists = reading.lists;
    }
    return table;
  }
}

/**
 * Tables of every mix whose way is whole, in the order of the document; a row at a time, so that a worker may look up.
 * @param book of a like rig
 */
export function* softTables(cases: Cases, stocks: Stocks, book?: SoftBook): Generator<void, SoftTable[]> {
  const { rig, values } = cases;
  const out: SoftTable[] = [];
  for (const mix of rig.mixes) {
    const made = (): Generator<void, SoftTable | undefined> => blended(rig, values, stocks, mix);
    const table = mix.injector ? drawn(cases, stocks, mix) : yield* book ? book.of(cases, mix, made) : made();
    if (table) out.push(table);
  }
  return out;
}

function* blended(rig: Rig, values: AssumptionValues, stocks: Stocks, mix: Mix): Generator<void, SoftTable | undefined> {
  const way = wayOf(rig, mix);
  if (!way) return undefined;
  const net = new BlendNetwork(rig, values, stocks, mix, way.pump, way.sprayer, way);
  const wanted = wantedStrength(mix, values);
  const strengths = carriedStrengths(net, wanted);
  const n = net.branches.length;
  const low = Float64Array.from(net.branches, drawHeight);
  const high = Float64Array.from(net.branches, (b, i) => (b.tank ? Math.max(fullDepth(b.tank), low[i] + 1e-6) : low[i] + 1));
  const points = Int32Array.from(net.branches, (b) => (b.tank ? POINTS[Math.min(n, 6)] : 1));
  const size = points.reduce((s, p) => s * p, 1);
  const width = n + 2;
  const rows = new Float64Array(size * width);
  const air = airPressure(rig.brief.altitude);
  const supplied = suppliedOf(rig, way.pump, values);
  const breathes = rig.compressors[compressorOf(rig, way.pump.id)];
  let shaft = 0;
  let needs = 0;
  let climbs = Infinity;
  let dry = false;
  for (let row = 0; row < size; row++) {
    yield;
    let rest = row;
    const levels = net.branches.map((_, i) => {
      const at = rest % points[i];
      rest = (rest - at) / points[i];
      return points[i] > 1 ? low[i] + ((high[i] - low[i]) * at) / (points[i] - 1) : low[i];
    });
    const s = net.solve(levels, false, strengths);
    for (let i = 0; i < n; i++) rows[row * width + i] = tidy(s.flows[i]);
    if (way.pump.kind === 'electric') rows[row * width + n + 1] = tidy(pumpCurrent(s.flowM3s, s.pumpRisePa, supplied));
    if (row === size - 1) dry = s.flowM3s <= DRY;
    if (row === size - 1 && way.sprayer.kind === 'jet')
      climbs = jetHeight(s.tipPressurePa / (net.water.densityKgM3 * GRAVITY * s.gravity), way.sprayer.nozzleBore) + way.sprayer.height;
    if (row === size - 1 && way.pump.kind === 'engine') shaft = (s.flowM3s * s.pumpRisePa) / values['pump-efficiency'];
    if (row === size - 1 && way.pump.kind === 'air') {
      needs = airUse(s.flowM3s, way.pump.limit, air, values['air-surcharge']);
      const given = breathes?.freeAir ?? 0;
      shaft = compressorPower(Math.min(needs, given), way.pump.limit, air, values['compressor-efficiency']);
    }
  }
  return {
    mixId: mix.id,
    outletId: undefined,
    pumpId: way.pump.id,
    electric: way.pump.kind === 'electric',
    tanks: net.branches.map((b) => rig.tanks.findIndex((t) => t.id === b.tank?.id)),
    stock: net.branches.map((b) => b.stock.liquid.kind !== 'water'),
    strengths: Float64Array.from(strengths, tidy),
    low,
    high,
    points,
    rows,
    width,
    engineId: way.pump.kind === 'engine' ? way.pump.id : way.pump.kind === 'air' ? breathes?.id : undefined,
    shaftW: tidy(shaft),
    dry,
    reach: { id: way.sprayer.id, name: way.sprayer.name, hoseM: hoseIn([way.delivery]), climbsM: tidy(climbs) },
    air: tidy(needs),
    airPa: way.pump.limit,
    wanted,
  };
}

function drawn(cases: Cases, stocks: Stocks, mix: Mix): SoftTable | undefined {
  const { rig } = cases;
  const way = drawnWay(cases, stocks, mix);
  if (!way) return undefined;
  const place = rig.tanks.findIndex((t) => t.id === way.tankId);
  const tank = rig.tanks[place];
  const stock = tank ? stocks.in(tank) : stocks.of(mix.stock);
  const count = tank ? POINTS[1] : 1;
  const low = tank ? drawHeight({ line: way.line, tank }) : 0;
  const high = tank ? Math.max(fullDepth(tank), low + 1e-6) : 1;
  const rows = new Float64Array(count * 3);
  for (let i = 0; i < count; i++) {
    const level = count > 1 ? low + ((high - low) * i) / (count - 1) : high;
    rows[i * 3] = tidy(way.waterM3s * way.ratioAt(level));
    rows[i * 3 + 1] = tidy(way.waterM3s);
  }
  return {
    mixId: mix.id,
    outletId: way.outletId,
    pumpId: undefined,
    electric: false,
    dry: false,
    tanks: [place],
    stock: [true],
    strengths: Float64Array.of(tidy(stock.today)),
    low: Float64Array.of(low),
    high: Float64Array.of(high),
    points: Int32Array.of(count),
    rows,
    width: 3,
    engineId: undefined,
    shaftW: 0,
    reach: undefined,
    air: 0,
    airPa: 0,
    wanted: wantedStrength(mix, cases.values),
  };
}

/**
 * Reads a table at the levels of its tanks, linear between its points along every level.
 * @param levels inside levels, m, by branch
 * @param out filled with a row: flow of each branch, water besides, current
 */
export function readTable(t: SoftTable, levels: Float64Array, out: Float64Array): void {
  const n = t.tanks.length;
  out.fill(0, 0, t.width);
  const corners = 1 << n;
  for (let corner = 0; corner < corners; corner++) {
    let weight = 1;
    let row = 0;
    let stride = 1;
    for (let i = 0; i < n && weight > 0; i++) {
      const count = t.points[i];
      if (count === 1) {
        if (corner & (1 << i)) weight = 0;
        continue;
      }
      const x = Math.min(Math.max(((levels[i] - t.low[i]) / (t.high[i] - t.low[i])) * (count - 1), 0), count - 1);
      const at = Math.min(Math.floor(x), count - 2);
      const share = x - at;
      if (corner & (1 << i)) {
        weight *= share;
        row += (at + 1) * stride;
      } else {
        weight *= 1 - share;
        row += at * stride;
      }
      stride *= count;
    }
    if (weight <= 0) continue;
    const base = row * t.width;
    for (let k = 0; k < t.width; k++) out[k] += weight * t.rows[base + k];
  }
}
