import { waveAssumption } from '../../catalogue/part-loss.js';
import { airPressure, GRAVITY } from '../../fluid/air.js';
import { velocity } from '../../hydraulics/friction.js';
import { accelerationHead } from '../../hydraulics/plunger-pump.js';
import type { Hose, Line, Machine } from '../../rig/schema.js';
import type { Solved } from '../../solve/solved.js';
import type { FeedTerm } from './result.js';

/** Lines from the source to a machine's inlet, in the order the water takes them: at each step back, the one that carries most. */
export function feedPath(solved: Solved, machine: Machine): Line[] {
  const { rig } = solved;
  const path: Line[] = [];
  let at: { kind: string; id: string } = { kind: 'machine', id: machine.id };
  while (path.length <= rig.lines.length) {
    const into = rig.lines.filter(
      (l) => (l.role === 'feed' || l.role === 'boost' || l.role === 'fill') && !l.closed && l.to.at === at.kind && l.to.id === at.id,
    );
    if (into.length === 0) break;
    const line = into.reduce((best, l) => (solved.flowOf(l.id) > solved.flowOf(best.id) ? l : best));
    if (path.includes(line)) break;
    path.unshift(line);
    at = { kind: line.from.at, id: line.from.id ?? '' };
    if (at.kind === 'tank' || at.kind === 'spigot') break;
  }
  return path;
}

/** Terms of the head at a machine's inlet in a case. Their sum is the NPSH available. */
export function inletTerms(
  solved: Solved,
  machine: Machine,
  path: readonly Line[],
  altitudeM: number,
  hoses: readonly Hose[] = hosesOf(path),
): { terms: FeedTerm[]; pulse: Pulse } {
  const { rig, water } = solved;
  const rhoG = water.densityKgM3 * GRAVITY;
  const first = path[0];
  const sourceHead = first.from.at === 'spigot' ? solved.headOf('tap', first.from.id!) : solved.headOf('tank', first.from.id!);
  let boosterM = 0;
  for (const l of path) {
    if (l.from.at !== 'booster') continue;
    const b = rig.boosters.find((x) => x.id === l.from.id)!;
    if (b.running) boosterM += solved.headOf('boosterOut', b.id) - solved.headOf('boosterIn', b.id);
  }
  const inletHead = solved.headOf('machineIn', machine.id);
  const flow = solved.machineFlow(machine);
  const pulse = pulses(solved, machine, hoses, flow);
  const direct = first.from.at === 'spigot';
  return {
    pulse,
    terms: [
      {
        id: 'air',
        label: direct ? 'air and spigot' : 'air',
        valueM: airPressure(altitudeM) / rhoG + (direct ? sourceHead - rig.spigots.find((s) => s.id === first.from.id)!.height : 0),
      },
      { id: 'vapour', label: 'vapour', valueM: -water.vapourPressurePa / rhoG },
      { id: 'lift', label: 'lift', valueM: (direct ? rig.spigots.find((s) => s.id === first.from.id)!.height : sourceHead) - machine.inletHeight },
      { id: 'booster', label: 'booster', valueM: boosterM },
      { id: 'friction', label: 'friction', valueM: inletHead - sourceHead - boosterM },
      { id: 'pulses', label: 'pulses', valueM: -pulse.usedM },
    ],
  };
}

export const hosesOf = (path: readonly Line[]): Hose[] => path.flatMap((l) => l.parts.filter((p): p is Hose => p.kind === 'hose'));

/** Pulses of a machine in its suction hoses, with what they are reckoned from. Heads in m. */
export interface Pulse {
  readonly rigidM: number;
  readonly capM: number;
  readonly usedM: number;
  readonly runs: readonly { readonly lengthM: number; readonly velocityMs: number }[];
  readonly turnsPerMinute: number;
  readonly waveMs: number;
  readonly lastMs: number;
}

function pulses(solved: Solved, machine: Machine, hoses: readonly Hose[], flowM3s: number): Pulse {
  const crankHz = (machine.speed * flowM3s) / machine.flow;
  if (hoses.length === 0) return { rigidM: 0, capM: 0, usedM: 0, runs: [], turnsPerMinute: 60 * crankHz, waveMs: 0, lastMs: 0 };
  const last = hoses[hoses.length - 1];
  const lastMs = velocity(flowM3s, last.bore);
  const waveMs = solved.values[waveAssumption(last)];
  const runs = hoses.map((h) => ({ lengthM: h.length, velocityMs: velocity(flowM3s, h.bore) }));
  const lv = runs.reduce((sum, r) => sum + r.lengthM * r.velocityMs, 0);
  return {
    ...accelerationHead(lv, crankHz, machine.arrangement, solved.values['acceleration-k'], lastMs, waveMs),
    runs,
    turnsPerMinute: 60 * crankHz,
    waveMs,
    lastMs,
  };
}

/** Head in all, m. */
export const headOf = (terms: readonly FeedTerm[]): number => terms.reduce((s, t) => s + t.valueM, 0);

export interface InletMargin {
  readonly marginM: number;
  readonly availableM: number;
}

/** Inlet head available and to spare in a case, m. */
export function inletMargin(solved: Solved, machine: Machine, path: readonly Line[], hoses: readonly Hose[] = hosesOf(path)): InletMargin {
  const { values, rig } = solved;
  const availableM = headOf(inletTerms(solved, machine, path, rig.brief.altitude, hoses).terms);
  let marginM = availableM - (machine.npshRequired ?? values['npsh-required']);
  if (path[0].from.at === 'spigot') {
    const { gaugeM, leastM } = gaugeAt(solved, machine);
    marginM = Math.min(marginM, gaugeM - leastM);
  }
  return { marginM, availableM };
}

/** Gauge head at a machine's inlet and the least that a feed straight from a spigot should have there, m. */
export function gaugeAt(solved: Solved, machine: Machine): { readonly gaugeM: number; readonly leastM: number } {
  return {
    gaugeM: solved.headOf('machineIn', machine.id) - machine.inletHeight,
    leastM: solved.values['inlet-minimum'] / (solved.water.densityKgM3 * GRAVITY),
  };
}
