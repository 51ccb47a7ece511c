import { partHeadLoss } from '../../catalogue/part-loss.js';
import { airPressure, altitudeOf, GRAVITY } from '../../fluid/air.js';
import { vapourPressure, waterDensity } from '../../fluid/water.js';
import type { Line, Machine } from '../../rig/schema.js';
import type { Cases, CaseSettings, Trial } from '../../solve/cases.js';
import { feedPath, inletMargin, type LaidPiece, raised } from '../../solve/inlet.js';
import type { CaseState, Solved } from '../../solve/solved.js';
import { figure, input } from '../../working/figure.js';
import type { FeedCase, FeedResult } from './result.js';

/** Heads at every joint of the path, m above the deck, in a case. */
export function gradeLine(solved: Solved, machine: Machine, path: readonly Line[]): FeedResult['grade'] {
  const dirty = solved.state.strainer === 'dirty';
  const out: { label: string; headM: number; lineId: string }[] = [];
  for (const line of path) {
    const start = line.from.at === 'tank' ? 'tank' : line.from.at === 'spigot' ? 'tap' : line.from.at === 'booster' ? 'boosterOut' : 'manifold';
    let head = solved.headOf(start, line.from.id!);
    out.push({ label: line.from.at, headM: head, lineId: line.id });
    for (const part of line.parts) {
      head -= partHeadLoss(part, solved.flowOf(line.id), solved.water, solved.values, dirty);
      out.push({ label: part.name, headM: head, lineId: line.id });
    }
  }
  out.push({ label: 'pump', headM: solved.headOf('machineIn', machine.id), lineId: path[path.length - 1].id });
  return out;
}

/** Inlet head to spare against the water's height above the deck, everything else as set; empty for a machine not fed from a tank. */
export function feedByLevel(cases: Cases, machine: Machine, settings: CaseState): FeedResult['byLevel'] {
  if (cases.net.cutOff.has(machine.id)) return [];
  const path = feedPath(cases.at(settings), machine);
  if (path[0]?.from.at !== 'tank') return [];
  return marginByLevel(cases, settings, machine, path);
}

/** Inlet head to spare in a case; undefined for a machine with no feed. */
export function feedMargin(solved: Solved, machine: Machine): number | undefined {
  const path = feedPath(solved, machine);
  const from = path[0]?.from.at;
  return from === 'tank' || from === 'spigot' ? inletMargin(solved, machine, path).marginM : undefined;
}

/** Margin at nine levels from a full tank to its bottom, everything else as in the worst case. */
export function marginByLevel(cases: Cases, worst: CaseState, machine: Machine, path: readonly Line[]): FeedResult['byLevel'] {
  const tank = cases.rig.tanks.find((t) => t.id === path[0].from.id);
  if (!tank) return [];
  const out = [];
  const full = cases.levelIn(tank, { level: 'full' });
  const laid = cases.laidOf(path);
  const sole = cases.hangsOnlyOn(machine, tank.id) ? inletMargin(cases.at(stateOf(worst)), machine, path, laid) : undefined;
  for (let i = 0; i <= 8; i++) {
    const level = full * (1 - i / 8);
    const { marginM, npshM } = sole
      ? raised(sole, level - cases.levelIn(tank, worst))
      : inletMargin(cases.at({ ...stateOf(worst), levelOf: { [tank.id]: level } }), machine, path, laid);
    out.push({ surfaceM: tank.base + level, marginM, npshM });
  }
  return out;
}

/** The case alone, of a case with its figures. */
export const stateOf = ({ level, strainer, water, spigot }: CaseState): CaseState => ({ level, strainer, water, spigot });

/** Height of the water above the deck at which the margin is gone, m; undefined where it never is. */
export function crossing(points: FeedResult['byLevel']): number | undefined {
  for (let i = 1; i < points.length; i++) {
    const [a, b] = [points[i - 1], points[i]];
    if (a.marginM >= 0 && b.marginM < 0) return a.surfaceM + ((b.surfaceM - a.surfaceM) * a.marginM) / (a.marginM - b.marginM);
  }
  return undefined;
}

/** Water temperature that eats the margin by vapour pressure alone (friction falls as water warms, so this is safe). */
export function hottest(marginM: number, temperatureK: number): number {
  const vapourHead = (t: number): number => vapourPressure(t) / (waterDensity(t) * GRAVITY);
  const start = vapourHead(temperatureK);
  let before = 273.16;
  let now = 373;
  const [cold, hot] = [vapourHead(before), vapourHead(now)];
  if (hot - start < marginM) return Infinity;
  if (cold - start > marginM) return before;
  // The logarithm of the vapour pressure is all but straight over 1/T (Clausius and Clapeyron): a secant is there in a few steps.
  const wanted = Math.log(start + marginM);
  let [at, then] = [Math.log(hot), Math.log(cold)];
  for (let i = 0; i < 20 && at !== then; i++) {
    const next = 1 / (1 / now + ((wanted - at) * (1 / now - 1 / before)) / (at - then));
    [before, then] = [now, at];
    now = next;
    if (Math.abs(now - before) < 1e-9) break;
    at = Math.log(vapourHead(now));
  }
  return now;
}

/** Between these the standard atmosphere is asked, m. */
const LOWEST = -2000;
const TROPOSPHERE = 11_000;

/** Altitude at which thinner air has eaten the margin, m. */
export function highest(marginM: number, altitudeM: number, density: number): number {
  const wanted = airPressure(altitudeM) - marginM * density * GRAVITY;
  return wanted > 0 ? Math.min(Math.max(altitudeOf(wanted), LOWEST), TROPOSPHERE) : TROPOSPHERE;
}

/** Largest flow the machine's inlet could take in the worst case before its margin is gone, other machines as they are. */
export function mostFlow(cases: Cases, machine: Machine, worst: FeedCase, path: readonly Line[], laid: readonly LaidPiece[]): number {
  const own = machine.flow;
  const { level, strainer, water, spigot } = worst;
  const marginAt = (flow: number): number => {
    const solved = cases.at({ level, strainer, water, spigot, trial: { what: 'draw', machine, flowM3s: flow } });
    return solved.settled ? inletMargin(solved, machine, path, laid).marginM : -1e3;
  };
  // What it has to spare at its own flow is known. Between it and the other end the Illinois rule: a secant that never leaves
  // the bracket, over the square of the flow, by which most is lost.
  const fed = worst.marginM >= 0;
  let low = fed ? own : 0;
  let high = fed ? own * 4 : own;
  let atLow = fed ? worst.marginM : marginAt(1e-9);
  let atHigh = fed ? marginAt(high) : worst.marginM;
  if (atLow > 0 && atHigh < 0) {
    let side = 0;
    for (let i = 0; i < 24 && high - low > 2e-4 * own; i++) {
      const flow = Math.sqrt((low * low * atHigh - high * high * atLow) / (atHigh - atLow));
      const at = marginAt(flow);
      if (Math.abs(at) < 1e-4) {
        low = flow;
        break;
      }
      if (at > 0) {
        low = flow;
        atLow = at;
        if (side === 1) atHigh /= 2;
        side = 1;
      } else {
        high = flow;
        atHigh = at;
        if (side === -1) atLow /= 2;
        side = -1;
      }
    }
  } else if (atHigh >= 0) low = high;
  return low;
}

const HIGHEST_AT: readonly CaseSettings[] = [
  { level: 'full', spigot: 'good' },
  { level: 'full', spigot: 'good', open: [] },
];

/** Highest gauge pressure that a machine's inlet meets: at a good site or with full tanks, guns open or shut, or at rest straight from a spigot. */
export function highestInlet(cases: Cases, machine: Machine, path: readonly Line[]): FeedResult['highest'] {
  let gaugeM = -Infinity;
  for (const state of HIGHEST_AT) {
    const solved = cases.at(state);
    gaugeM = Math.max(gaugeM, solved.headOf('machineIn', machine.id) - machine.inletHeight);
    // A pump at rest, or one whose flow all turns back to its inlet, meets what the house holds.
    if (path[0].from.at === 'spigot') gaugeM = Math.max(gaugeM, solved.headOf('spigot', path[0].from.id!) - machine.inletHeight);
    // A booster that pushes against a pump at rest goes up to its shut-off head.
    const booster = cases.rig.boosters.find((b) => b.running && path.some((l) => l.from.at === 'booster' && l.from.id === b.id));
    if (booster && path[0].from.at === 'tank')
      gaugeM = Math.max(gaugeM, solved.headOf('tank', path[0].from.id!) + booster.shutoffPressure / (solved.water.densityKgM3 * GRAVITY) - machine.inletHeight);
  }
  const { densityKgM3 } = cases.at({}).water;
  return {
    mean: figure(gaugeM * densityKgM3 * GRAVITY, 'pressure', 'inlet-gauge', [
      input('H_in', 'highest gauge head at the inlet', gaugeM, 'length'),
      input('ρ', 'of the water', densityKgM3, 'density'),
    ]),
    mostPa: machine.inletMost ?? cases.values['inlet-most'],
  };
}

/** The same feed the other way: its booster switched, or a usual one where there is none. */
export function otherWay(cases: Cases, worst: FeedCase, machine: Machine, path: readonly Line[], laid: readonly LaidPiece[]): FeedResult['otherWay'] {
  const { rig } = cases;
  if (path[0].from.at !== 'tank') return undefined;
  const now = stateOf(worst);
  const own = rig.boosters.find((b) => path.some((l) => l.from.at === 'booster' && l.from.id === b.id));
  const trial: Trial = own
    ? { what: 'switch', booster: own }
    : {
        what: 'booster',
        line: path[0],
        shutoffPa: cases.values['booster-pressure'],
        openFlowM3s: cases.at(now).flowOf(path[0].id) * cases.values['booster-flow'],
      };
  const { marginM } = inletMargin(cases.at({ ...now, trial }), machine, path, laid);
  return { boosted: own ? !own.running : true, marginM };
}
