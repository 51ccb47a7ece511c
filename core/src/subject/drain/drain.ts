import { lineTerms } from '../../solve/rig-network.js';
import { airPressure } from '../../fluid/air.js';
import { jetQuadratic, orificePressure, outflowThrough } from '../../hydraulics/outflow.js';
import type { Line, Tank } from '../../rig/schema.js';
import { fullDepth, surfaceAt, volumeAt } from '../../rig/tank-shape.js';
import { figure, input, message } from '../../working/figure.js';
import type { Cases } from '../../solve/cases.js';
import { sameList } from '../../same-list.js';
import { partShares } from '../../solve/part-shares.js';
import { TiedTanks } from '../../solve/tied-tanks.js';
import { tiedWith } from '../../solve/vessels.js';
import type { MixAnswers, MixResult } from '../mix/result.js';
import type { TransferAnswers, TransferResult } from '../transfer/result.js';
import type { DrainResult } from './result.js';
import type { Finding } from '../finding.js';
import type { Verdict } from '../verdict.js';

/** Outflow, m³/s, that a head, m, drives through a line into the open; the jet leaves with the last bore. */
export function outflowBy(line: Line, cases: Cases): (headM: number, guess?: number) => number {
  const { water } = cases.asDrawn;
  const { quadratic, runs } = lineTerms(line, cases.values, water, false);
  const all = (quadratic ?? 0) + jetQuadratic(line.parts[line.parts.length - 1]?.bore ?? 0.0254);
  return (headM, guess = 0) => outflowThrough(headM, all, runs!, water.kinematicViscosityM2S, guess);
}

const STEPS = 48;
/** Share of what is left that a step of tied tanks lets out, and of the whole at which they count as empty. */
const TIED_STEP = 0.02;
const TIED_EMPTY = 2e-5;
const TIED_MOST = 4000;

/** The open dump line of a tank's own. */
export const dumpLine = ({ rig }: Cases, tank: Tank): Line | undefined =>
  rig.lines.find((l) => l.role === 'dump' && !l.closed && l.from.at === 'tank' && l.from.id === tank.id);

/** Where a dump line takes from its tank and where it lets go, m above the deck. */
export const dumpEnds = (tank: Tank, line: Line): { readonly outletM: number; readonly sillM: number } => ({
  outletM: line.to.height ?? line.from.height ?? tank.base,
  sillM: Math.max(line.from.height ?? tank.base, tank.base),
});

type Drained = Omit<DrainResult['series'], 'massKg'> & { readonly fastestM3s: number };

/** Drains a tank, and those tied to it, from full through a dump line: time, level of the first and volume of all as it goes. */
export function drain(cases: Cases, tanks: readonly Tank[], line: Line): Drained {
  return tanks.length > 1 ? drainTied(cases, tanks, line) : drainOne(cases, tanks[0], line);
}

function drainOne(cases: Cases, tank: Tank, line: Line): Drained {
  const { outletM, sillM } = dumpEnds(tank, line);
  const inside = (surface: number): number => Math.min(Math.max(surface - tank.base, 0), fullDepth(tank));
  const volume = (surface: number): number => volumeAt(tank.shape, inside(surface));
  const top = tank.base + fullDepth(tank);
  const timeS = [0];
  const levelM = [top - tank.base];
  const volumeM3 = [volume(top)];
  let last = 0;
  const outflow = outflowBy(line, cases);
  const rate = (surface: number): number => (last = outflow(surface - outletM, last));
  let time = 0;
  // Even steps of the root of the depth: the outflow falls with that root, so that the last drops cost no accuracy.
  const root = Math.sqrt(Math.max(top - sillM, 0));
  const step = root / STEPS;
  for (let i = 1; i <= STEPS; i++) {
    const middle = root - step * (i - 0.5);
    const surface = sillM + middle * middle;
    const q = rate(surface);
    time = q > 0 ? time + (2 * middle * step * surfaceAt(tank.shape, inside(surface))) / q : Infinity;
    const after = sillM + (root - step * i) ** 2;
    timeS.push(time);
    levelM.push(after - tank.base);
    volumeM3.push(volume(after));
    if (!Number.isFinite(time)) break;
  }
  return { timeS, levelM, volumeM3, fastestM3s: rate(top) };
}

/** How tied tanks drain by the one dump that they share, with what that hangs on: it is the dearest of all to reckon. */
const drainedBy = new WeakMap<Line, { readonly of: readonly unknown[]; readonly drained: Drained }>();

/** Each tank with a surface of its own: what the others hold has to come through the ties. */
function drainTied(cases: Cases, tanks: readonly Tank[], line: Line): Drained {
  const { assumptions, brief, lines } = cases.rig;
  const of = [assumptions, brief.water, ...lines.filter((l) => l.role === 'tie'), ...tanks.flatMap((t) => [t.id, t.base, t.fullLevel, t.shape])];
  const known = drainedBy.get(line);
  if (known && sameList(known.of, of)) return known.drained;
  const drained = findTied(cases, tanks, line);
  drainedBy.set(line, { of, drained });
  return drained;
}

function findTied(cases: Cases, tanks: readonly Tank[], line: Line): Drained {
  const at = tanks.findIndex((t) => t.id === line.from.id);
  const drained = tanks[at];
  const { outletM, sillM } = dumpEnds(drained, line);
  const group = new TiedTanks(cases, tanks);
  const outflow = outflowBy(line, cases);
  group.open(drained, sillM, outletM, (h) => outflow(h));
  const volumes = Float64Array.from(tanks, (t) => volumeAt(t.shape, fullDepth(t)));
  const out = new Float64Array(tanks.length + 1);
  const none = new Float64Array(tanks.length);
  const sum = (): number => volumes.reduce((s, v) => s + v, 0);
  const surface = (): number => group.surface(at, volumes[at]);
  const full = sum();
  const fastestM3s = outflow(surface() - outletM);
  // What stands below the way out never leaves by it.
  const floors = group.floors(at, sillM);
  const kept = tanks.reduce((s, t, i) => s + volumeAt(t.shape, Math.max(floors[i] - t.base, 0)), 0);
  const timeS = [0];
  const levelM = [surface() - drained.base];
  const volumeM3 = [full];
  let time = 0;
  let q = fastestM3s;
  for (let steps = 0; steps < TIED_MOST && sum() - kept > TIED_EMPTY * full; steps++) {
    if (!(q > 0)) break;
    const dt = (TIED_STEP * (sum() - kept)) / q;
    group.cross(volumes, none, dt, out);
    q = out[tanks.length];
    for (let t = 0; t < tanks.length; t++) volumes[t] = Math.max(volumes[t] + out[t] * dt, 0);
    time += dt;
    if (steps % 10 === 9) {
      timeS.push(time);
      levelM.push(surface() - drained.base);
      volumeM3.push(sum());
    }
  }
  const empty = sum() - kept <= TIED_EMPTY * full;
  timeS.push(empty ? time : Infinity);
  levelM.push(surface() - drained.base);
  volumeM3.push(sum());
  return { timeS, levelM, volumeM3, fastestM3s };
}

/**
 * Vacuum, Pa, behind a vent when liquid leaves at a rate: orifice equation for air. No vent and any outflow: Infinity.
 * @param coefficient discharge coefficient
 */
export function ventVacuum(outM3s: number, ventBoreM: number, airDensityKgM3: number, coefficient: number): number {
  if (!(outM3s > 0)) return 0;
  if (!(ventBoreM > 0)) return Infinity;
  return orificePressure(outM3s, ventBoreM, airDensityKgM3, coefficient);
}

/** A tank let out through its dump, or that of one tied to it. */
export interface Emptied {
  readonly line: Line;
  readonly drained: Drained;
}

/** How a tank empties by its dump, whatever else is drawn; undefined where it has none. */
export function emptied(cases: Cases, tank: Tank): Emptied | undefined {
  const tied = tiedWith(cases, tank);
  const dumps = cases.rig.lines.filter((l) => l.role === 'dump' && !l.closed);
  const line = dumps.find((l) => l.from.id === tank.id) ?? dumps.find((l) => tied.some((t) => t.id === l.from.id));
  return line && { line, drained: drain(cases, tied, line) };
}

/** What soft washing and a pump that moves stock take from a tank at once, m³/s: of the mixes of one pump the one that takes most. */
function chemicalDraw(tankId: string, mixes: readonly MixResult[], transfers: readonly TransferResult[]): number {
  const byPump = new Map<string, number>();
  for (const m of mixes) {
    const taken = m.streams.reduce((s, x) => (x.tankId === tankId ? s + x.flowM3s : s), 0);
    const by = m.pumpId ?? m.mixId;
    byPump.set(by, Math.max(byPump.get(by) ?? 0, taken));
  }
  let sum = 0;
  for (const taken of byPump.values()) sum += taken;
  return transfers.reduce((s, t) => (t.fromId === tankId ? s + t.flow.value : s), sum);
}

/** What is drawn from a tank at the most, m³/s: all guns held that are drawn open, and every pump of the chemical side at work. */
export const drawn = (cases: Cases, tank: Tank, { mixes, transfers }: DrawnBy): number =>
  Math.max(cases.asDrawn.drawnFrom(tank.id), 0) + chemicalDraw(tank.id, mixes, transfers);

/** What draws on tanks besides the washers. */
export type DrawnBy = (MixAnswers & TransferAnswers)['chemical'];

/** @param by how it empties by its dump, see {@link emptied}; @param draw see {@link drawn}; @param densityKgM3 of what is in it */
export function assessDrain(cases: Cases, tank: Tank, by: Emptied | undefined, draw: number, densityKgM3: number): DrainResult {
  const { line, drained } = by ?? {};
  const { rig, values } = cases;
  const dump = drained?.fastestM3s ?? 0;
  // Nothing is emptier than empty: no more than the whole of the air can be missing.
  const air = airPressure(rig.brief.altitude);
  const density = air / (287.05 * 298.15);
  const vacuum = (q: number): number => (tank.lid === 'open' ? 0 : Math.min(ventVacuum(q, tank.ventBore, density, values['vent-coefficient']), air));
  const fastest = Math.max(dump, draw);
  const worst = vacuum(fastest);
  const limit = values['tank-vacuum'];
  let verdict: Verdict = 'fed';
  if (worst > limit) verdict = worst < air && worst <= values['tank-crush'] * limit && vacuum(draw) <= limit ? 'tight' : 'stop';
  const end = drained?.timeS[drained.timeS.length - 1];
  return {
    tankId: tank.id,
    lineId: line?.id,
    time:
      line && drained
        ? figure(
            end!,
            'time',
            'drain-time',
            [input('V', 'full tank', drained.volumeM3[0], 'volume'), input('Q', 'at full level', dump, 'flow')],
            ['roughness-smooth'],
          )
        : undefined,
    series: drained
      ? { timeS: drained.timeS, levelM: drained.levelM, volumeM3: drained.volumeM3, massKg: drained.volumeM3.map((v) => v * densityKgM3) }
      : { timeS: [], levelM: [], volumeM3: [], massKg: [] },
    parts: line ? partShares(cases.asDrawn, [line], () => dump) : [],
    fastestOutflowM3s: fastest,
    vacuum: figure(
      worst,
      'pressure',
      'vent-vacuum',
      [input('Q', 'fastest outflow', fastest, 'flow'), input('d', 'vent', tank.ventBore, 'length')],
      ['vent-coefficient', 'tank-vacuum', 'tank-crush'],
    ),
    vacuumAtDraw: vacuum(draw),
    verdict,
  };
}

export function drainFindings(cases: Cases, tank: Tank, result: DrainResult): Finding[] {
  const out: Finding[] = [];
  const subject = { kind: 'tank', id: tank.id } as const;
  if (result.verdict === 'fed') return out;
  if (tank.ventBore <= 0)
    out.push({
      code: 'no-vent',
      verdict: 'stop',
      station: 'dump',
      subject,
      message: message('{tank} has a closed lid and no vent: drawing or dumping will collapse it.', { tank: tank.name }),
    });
  else
    out.push({
      code: 'vent-small',
      verdict: result.verdict,
      station: 'dump',
      subject,
      message: message('With the lid closed, {tank} sees {p} of vacuum at {q}; we assume it takes {limit}. Fit a bigger vent, or open the lid to dump.', {
        tank: tank.name,
        p: { value: result.vacuum.value, dimension: 'pressure' },
        q: { value: result.fastestOutflowM3s, dimension: 'flow' },
        limit: { value: cases.values['tank-vacuum'], dimension: 'pressure' },
      }),
    });
  return out;
}
