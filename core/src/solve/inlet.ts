import { WATER_KG_M3 } from '../fluid/water.js';
import { waveAssumption } from '../catalogue/part-loss.js';
import { airPressure, GRAVITY } from '../fluid/air.js';
import { type PulseHead, pulseHead, type PulsePiece } from '../hydraulics/pulses.js';
import type { AssumptionValues } from '../assumption/register.js';
import type { Line, Machine } from '../rig/schema.js';
import type { Solved } from './solved.js';

export interface InletTerm {
  readonly id: 'air' | 'vapour' | 'lift' | 'booster' | 'friction' | 'pulses';
  readonly label: string;
  /** Head, m; negative terms take away. */
  readonly valueM: number;
}

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

/** What makes up the head at an inlet, m, in the order of the {@link InletTerm}s. */
interface InletHeads {
  readonly direct: boolean;
  readonly airM: number;
  readonly vapourM: number;
  readonly liftM: number;
  readonly boosterM: number;
  readonly frictionM: number;
  readonly pulse: Pulse;
}

function inletHeads(solved: Solved, machine: Machine, path: readonly Line[], altitudeM: number, laid: readonly LaidPiece[]): InletHeads {
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
  const pulse = pulses(solved, machine, laid, flow);
  const spigot = first.from.at === 'spigot' ? rig.spigots.find((s) => s.id === first.from.id)! : undefined;
  return {
    direct: spigot !== undefined,
    airM: airPressure(altitudeM) / rhoG + (spigot ? sourceHead - spigot.height : 0),
    vapourM: -water.vapourPressurePa / rhoG,
    liftM: (spigot ? spigot.height : sourceHead) - machine.inletHeight,
    boosterM,
    frictionM: inletHead - sourceHead - boosterM,
    pulse,
  };
}

/** Terms of the head at a machine's inlet in a case. Their sum is the NPSH available. */
export function inletTerms(
  solved: Solved,
  machine: Machine,
  path: readonly Line[],
  altitudeM: number,
  laid: readonly LaidPiece[] = piecesOf(path, solved.values, altitudeM),
): { terms: InletTerm[]; pulse: Pulse } {
  const { direct, airM, vapourM, liftM, boosterM, frictionM, pulse } = inletHeads(solved, machine, path, altitudeM, laid);
  return {
    pulse,
    terms: [
      { id: 'air', label: direct ? 'air and ‹spigot›' : 'air', valueM: airM },
      { id: 'vapour', label: '‹vapor›', valueM: vapourM },
      { id: 'lift', label: 'lift', valueM: liftM },
      { id: 'booster', label: 'booster', valueM: boosterM },
      { id: 'friction', label: 'friction', valueM: frictionM },
      { id: 'pulses', label: 'pulses', valueM: -pulse.usedM },
    ],
  };
}

/** Pulses of a machine in its suction hoses, with what they are reckoned from. */
export interface Pulse extends PulseHead {
  /** From the pump to the source. */
  readonly pieces: readonly PulsePiece[];
  readonly turnsPerMinute: number;
}

/** How a suction accumulator gives way, m³ for each metre of head: its gas at the air's pressure, V·ρg/(n·p), n 1.2 between slow and sudden. */
const accumulatorYields = (values: AssumptionValues, airPa: number): number => (values['accumulator-gas'] * WATER_KG_M3 * GRAVITY) / (1.2 * airPa);

/** What of a path bears on the pulses, from source to pump, and the line that it lies in. */
export interface LaidPiece {
  readonly lineId: string;
  readonly boreM: number;
  readonly lengthM: number;
  readonly waveMs: number;
  readonly yieldsM2: number | undefined;
}

/** Hoses and accumulators of a path. */
export const piecesOf = (path: readonly Line[], values: AssumptionValues, altitudeM: number): LaidPiece[] =>
  path.flatMap((l) =>
    l.parts.flatMap((p): LaidPiece[] => {
      if (p.kind === 'hose') return [{ lineId: l.id, boreM: p.bore, lengthM: p.length, waveMs: values[waveAssumption(p)], yieldsM2: undefined }];
      if (p.kind !== 'fitting' || p.is !== 'accumulator') return [];
      const yieldsM2 = p.count * accumulatorYields(values, airPressure(altitudeM));
      return [{ lineId: l.id, boreM: p.bore, lengthM: 0, waveMs: Infinity, yieldsM2 }];
    }),
  );

function pulses(solved: Solved, machine: Machine, laid: readonly LaidPiece[], flowM3s: number): Pulse {
  const crankHz = (machine.speed * flowM3s) / machine.flow;
  const k = solved.values['acceleration-k'];
  // A line that others draw on too speeds up as a whole.
  const pieces: PulsePiece[] = [];
  for (let i = laid.length - 1; i >= 0; i--) {
    const { lineId, boreM, lengthM, waveMs, yieldsM2 } = laid[i];
    const flowM3s = Math.abs(solved.flowOf(lineId));
    pieces.push(yieldsM2 === undefined ? { boreM, lengthM, waveMs, flowM3s } : { boreM, lengthM, waveMs, flowM3s, yieldsM2 });
  }
  return Object.assign(pulseHead(pieces, machine.arrangement, crankHz, k), { pieces, turnsPerMinute: 60 * crankHz });
}

/** Head in all, m. */
export const headOf = (terms: readonly InletTerm[]): number => terms.reduce((s, t) => s + t.valueM, 0);

export interface InletMargin {
  /** The lesser of what is to spare over NPSH required, with pulses, and over the least inlet pressure, without. */
  readonly marginM: number;
  /** NPSH available. */
  readonly availableM: number;
  /** Over NPSH required. */
  readonly npshM: number;
  /** Gauge head at the inlet, pulses left out. */
  readonly gaugeM: number;
}

/** The same with the water so much higher, where nothing but its surface bears on the feed. */
export const raised = (m: InletMargin, byM: number): InletMargin => ({
  marginM: m.marginM + byM,
  availableM: m.availableM + byM,
  npshM: m.npshM + byM,
  gaugeM: m.gaugeM + byM,
});

/** Inlet head available and to spare in a case, m. */
export function inletMargin(solved: Solved, machine: Machine, path: readonly Line[], laid?: readonly LaidPiece[]): InletMargin {
  const { values, rig } = solved;
  const { altitude } = rig.brief;
  const h = inletHeads(solved, machine, path, altitude, laid ?? piecesOf(path, values, altitude));
  const availableM = h.airM + h.vapourM + h.liftM + h.boosterM + h.frictionM - h.pulse.usedM;
  const npshM = availableM - (machine.npshRequired ?? values['npsh-required']);
  const gaugeM = solved.headOf('machineIn', machine.id) - machine.inletHeight;
  return { marginM: Math.min(npshM, gaugeM - leastInlet(solved, machine, path).leastM), availableM, npshM, gaugeM };
}

/** The least gauge head that a machine's inlet may have, m, and the assumption that it is, unless the data sheet says. */
export function leastInlet(
  { values, water }: Pick<Solved, 'values' | 'water'>,
  machine: Machine,
  path: readonly Line[],
): { readonly leastM: number; readonly by: 'inlet-minimum' | 'inlet-least' | undefined } {
  const by = machine.inletLeast !== undefined ? undefined : path[0].from.at === 'spigot' ? 'inlet-minimum' : 'inlet-least';
  return { leastM: (machine.inletLeast ?? values[by!]) / (water.densityKgM3 * GRAVITY), by };
}
