import {
  type Bank,
  bankOf,
  type Cable,
  cableFor,
  insulationOf,
  densityOf,
  generatorGives,
  generatorNeeds,
  generatorOf,
  drawTogether,
  Lengths,
  type LoadOn,
  loadsOn,
  mainsLoads,
  mayBeDim,
  rateOf,
  voltsOf,
  wireTo,
} from '../../energy/index.js';
import { boosterPower } from '../../solve/booster-power.js';
import { jobsOf, washingSeconds, windingSeconds, workingSeconds, woundHose } from '../../solve/hours.js';
import { ampacityOf, awgArea, type Branch, cablesOf, nodeVoltages, sizesOf, wireResistance } from '../../electrics/index.js';
import { fuelRate } from '../../fuel/index.js';
import type { Battery, Charger } from '../../rig/schema.js';
import type { Cases } from '../../solve/cases.js';
import { type Figure, figure, type Input, input } from '../../working/figure.js';
import type { MixResult } from '../mix/result.js';
import type { SoftPumpResult } from '../soft-pump/result.js';
import type { TransferResult } from '../transfer/result.js';
import type { Verdict } from '../verdict.js';
import type { BatteryResult, CableResult, CircuitAnswers, WireResult } from './result.js';

interface Chemical {
  readonly softPumps: readonly SoftPumpResult[];
  readonly transfers: readonly TransferResult[];
  readonly mixes: readonly MixResult[];
}

/** Current of each load and how long it runs in a day, s. */
interface Drawing extends LoadOn {
  readonly current: Figure;
  readonly daySeconds: number;
  /** It draws beside the others; a starter cranks by itself. */
  readonly steady: boolean;
}

function drawings(cases: Cases, loads: readonly LoadOn[], { softPumps, mixes, transfers }: Chemical): Drawing[] {
  const { rig, values } = cases;
  const washing = washingSeconds(rig, values);
  const jobs = jobsOf(rig, values);
  const spraying = (m: MixResult | undefined): number => (m && m.flow.value > 0 ? m.dayM3.value / m.flow.value : 0);
  const ofEngine = (id: string | undefined): number => {
    const pump = softPumps.find((p) => p.pumpId === id);
    return pump ? pump.daySeconds : washing;
  };
  const drawing = ({ id, name, part, at, batteryId, engineId }: LoadOn, current: Figure, daySeconds: number, steady = true): Drawing[] => [
    { id, name, part, at, batteryId, engineId, current, daySeconds, steady },
  ];
  return loads.flatMap((l): Drawing[] => {
    switch (l.part) {
      case 'pump': {
        const own = softPumps.find((p) => p.pumpId === l.id);
        if (own?.current) return drawing(l, own.current, own.daySeconds);
        // Stock is moved at the yard, before the day; its cable is laid as if it ran beside the rest.
        const moving = transfers.find((t) => t.pumpId === l.id);
        return moving?.current ? drawing(l, moving.current, 0) : [];
      }
      case 'booster':
        return drawing(l, boosterCurrent(cases, l), washing);
      case 'remote':
        return drawing(l, assumed(values['remote-current'], 'remote-current'), spraying(mixes.find((m) => m.mixId === l.id)));
      case 'reel': {
        const reel = rig.reels.find((r) => r.id === l.id)!;
        return drawing(l, given(reel.motor!), jobs * windingSeconds(woundHose(rig, reel.line), values));
      }
      case 'starter':
        return drawing(l, assumed(values['starter-current'], 'starter-current'), jobs * values['starts-per-job'] * values['starter-time'], false);
      case 'burner': {
        const own = rig.burners.find((b) => b.id === l.id)!;
        return drawing(l, own.current === undefined ? assumed(values['burner-current'], 'burner-current') : given(own.current), washing);
      }
      default: {
        const own = rig.loads.find((x) => x.id === l.id)!;
        return drawing(l, given(own.current), own.hours ?? (own.engine === undefined ? 0 : ofEngine(own.engine)));
      }
    }
  });
}

const assumed = (value: number, id: 'remote-current' | 'starter-current' | 'burner-current'): Figure => figure(value, 'current', 'assumed', [], [id]);
const given = (value: number): Figure => figure(value, 'current', 'given');

function boosterCurrent(cases: Cases, load: LoadOn): Figure {
  const { rig, values } = cases;
  const volts = voltsOf(
    rig.batteries.find((b) => b.id === load.batteryId),
    values,
  );
  const watts = boosterPower(cases, load.id);
  return figure(
    watts / (values['booster-efficiency'] * volts),
    'current',
    'motor-current',
    [
      input('P', 'into the water', watts, 'power'),
      input('η', 'motor and pump', values['booster-efficiency'], 'ratio'),
      input('V', 'voltage', volts, 'voltage'),
    ],
    ['booster-efficiency', 'pump-volts'],
  );
}

/** Batteries, what hangs on them, by which cables, and the mains. */
export function assessCircuits(cases: Cases, chemical: Chemical): CircuitAnswers {
  const { rig, values } = cases;
  const all = drawings(cases, loadsOn(rig, values), chemical);
  const lengths = new Lengths(rig, values);
  const circuits: WireResult[] = [];
  const cables: CableResult[] = [];
  const batteries: BatteryResult[] = [];
  const sprayed = chemical.softPumps.reduce((s, p) => s + p.daySeconds, 0);
  for (const battery of rig.batteries) {
    const own = all.filter((l) => l.batteryId === battery.id);
    batteries.push(batteryDay(cases, battery, own, sprayed));
    layOut(cases, lengths, battery, own, circuits, cables);
  }
  return { circuits, cables, batteries, mains: mainsOf(cases) };
}

/** A cable's size in a working: its gauge, or the area that it is sold by. */
const copperInput = (gauge: number): Input => (sizesOf(gauge) === 'awg' ? input('n', 'AWG', gauge, 'number') : input('A', 'copper', awgArea(gauge), 'area'));

/** Cables of one battery, and the voltage at each of its loads with everything on. */
function layOut(cases: Cases, lengths: Lengths, battery: Battery, own: readonly Drawing[], circuits: WireResult[], cables: CableResult[]): void {
  const { rig, values } = cases;
  const volts = voltsOf(battery, values);
  const scale = volts / values['pump-volts'];
  const nodes = new Map<string, number>([[battery.id, 0]]);
  const nodeOf = (id: string): number => nodes.get(id) ?? (nodes.set(id, nodes.size), nodes.size - 1);
  const branches: Branch[] = [];
  const stretches = new Map<string, Cable>();
  const nameOf = (id: string): string =>
    id === battery.id ? battery.name : (rig.panels.find((p) => p.id === id)?.name ?? own.find((l) => l.id === id)?.name ?? id);
  // Panels that the loads hang on, from the battery on; one that nothing feeds hangs on the battery.
  const parentOf = (id: string): string => {
    const from = wireTo(rig, id)?.from;
    return from !== undefined && (from === battery.id || rig.panels.some((p) => p.id === from)) ? from : battery.id;
  };
  const through = (panelId: string): number =>
    own.reduce((s, l) => {
      if (!l.steady) return s;
      const seen = new Set<string>();
      for (let at = parentOf(l.id); at !== battery.id && !seen.has(at); at = parentOf(at)) {
        seen.add(at);
        if (at === panelId) return s + l.current.value;
      }
      return s;
    }, 0);
  const stretch = (to: string, at: string, currentA: number, mostDrop: number): Cable => {
    const known = stretches.get(to);
    if (known) return known;
    const from = parentOf(to);
    const made = cableFor(lengths, { from, to, at }, wireTo(rig, to), currentA, volts, mostDrop);
    stretches.set(to, made);
    branches.push({ from: nodeOf(from), to: nodeOf(to), ohms: Math.max(made.ohms, 1e-9) });
    if (from !== battery.id) stretch(from, from, through(from), values['wire-drop'] / 2);
    return made;
  };
  const steady = own.filter((l) => l.steady);
  // Behind a panel half of what may be lost is lost before it.
  const mostOf = (l: Drawing): number => values[mayBeDim(l.part) ? 'wire-drop-dim' : 'wire-drop'];
  for (const l of steady) stretch(l.id, l.at, l.current.value, parentOf(l.id) === battery.id ? mostOf(l) : mostOf(l) / 2);
  const at = nodeVoltages(
    nodes.size,
    branches,
    steady.map((l) => ({ node: nodeOf(l.id), amps: l.current.value })),
    volts,
  );
  for (const [to, c] of stretches) {
    const load = steady.find((l) => l.id === to);
    const currentA = load ? load.current.value : through(to);
    cables.push(cableResult(c, nameOf(c.from), nameOf(to), currentA));
  }
  for (const l of steady) {
    const c = stretches.get(l.id)!;
    const whole = c.gauge !== undefined && chainWhole(l.id);
    const voltage = at?.[nodeOf(l.id)] ?? volts;
    const dropV = volts - voltage;
    circuits.push({
      loadId: l.id,
      name: l.name,
      part: l.part,
      batteryId: battery.id,
      current: l.current,
      lengthM: c.lengthM,
      asLaid: c.asLaid,
      gauge: c.gauge,
      areaM2: c.gauge === undefined ? undefined : awgArea(c.gauge),
      fuseA: whole ? c.fuseA : undefined,
      drop: whole ? dropFigure(dropV, c, l.current.value, volts, mayBeDim(l.part)) : undefined,
      voltage,
      dropShare: whole ? dropV / volts : undefined,
      mostDrop: mostOf(l),
      daySeconds: l.daySeconds,
      verdict: judged(
        c,
        l.current.value,
        whole ? dropV / volts : undefined,
        mostOf(l),
        values['fuse-over'],
        values['drop-starves'],
        values['wire-air'] - 273.15,
      ),
    });
  }
  function chainWhole(id: string): boolean {
    const seen = new Set<string>();
    for (let to = id; to !== battery.id && !seen.has(to); to = parentOf(to)) {
      seen.add(to);
      if (stretches.get(to)?.gauge === undefined) return false;
    }
    return true;
  }
  for (const l of own.filter((x) => !x.steady)) {
    const first = starter(cases, lengths, battery, l, scale, parentOf(l.id));
    // A change-over puts another battery in its place, where that cranks better.
    const other = rig.batteries.find((b) => b.id === battery.changeover);
    const second =
      other && first.circuit.verdict !== 'fed' ? starter(cases, lengths, other, l, voltsOf(other, values) / values['pump-volts'], other.id) : undefined;
    const best = second && second.circuit.voltage > first.circuit.voltage ? second : first;
    circuits.push(best.circuit);
    cables.push(cableResult(best.cable, best === second ? other!.name : nameOf(best.cable.from), l.name, l.current.value));
  }
}

/** A starter by itself: it cranks for seconds, its cable has no fuse, and what counts is the voltage that is left. */
function starter(
  cases: Cases,
  lengths: Lengths,
  battery: Battery,
  l: Drawing,
  scale: number,
  from: string,
): { readonly circuit: WireResult; readonly cable: Cable } {
  const { rig, values } = cases;
  const [cranks, least] = [values['crank-volts'] * scale, values['crank-least'] * scale];
  const typed = wireTo(rig, l.id);
  const wire = typed?.from === from ? typed : undefined;
  const built = cableFor(lengths, { from, to: l.id, at: l.at }, wire, l.current.value, cranks, 1 - least / cranks);
  const gauge = built.typedGauge
    ? built.gauge
    : cablesOf(rig.cables).find(
        (n) =>
          ampacityOf(n)! >= values['starter-carries'] &&
          2 * built.lengthM * wireResistance(n, values['wire-air'] - 273.15) * l.current.value <= Math.max(cranks - least, 1e-3 * cranks) * (1 + 1e-9),
      );
  // It cranks for seconds: its copper stays as warm as the air.
  const ohms = gauge === undefined ? 0 : 2 * built.lengthM * wireResistance(gauge, values['wire-air'] - 273.15);
  const c: Cable = {
    ...built,
    gauge,
    ohms,
    fuseA: wire?.fuse,
    ampacityA: gauge === undefined ? undefined : ampacityOf(gauge, insulationOf(wire), values['wire-air'] - 273.15),
  };
  const dropV = ohms * l.current.value;
  const voltage = cranks - dropV;
  const circuit: WireResult = {
    loadId: l.id,
    name: l.name,
    part: l.part,
    batteryId: battery.id,
    current: l.current,
    lengthM: c.lengthM,
    asLaid: c.asLaid,
    gauge,
    areaM2: gauge === undefined ? undefined : awgArea(gauge),
    fuseA: c.fuseA,
    drop:
      gauge === undefined
        ? undefined
        : figure(
            dropV,
            'voltage',
            'voltage-drop',
            [
              input('L', 'one way', c.lengthM, 'length'),
              input('I', 'cranking', l.current.value, 'current'),
              copperInput(gauge),
              input('V', 'battery while it cranks', cranks, 'voltage'),
            ],
            ['starter-current', 'crank-volts', 'crank-least', ...lengthRests(c)],
          ),
    voltage,
    dropShare: gauge === undefined ? undefined : dropV / cranks,
    mostDrop: 1 - least / cranks,
    daySeconds: l.daySeconds,
    verdict: gauge === undefined || voltage < values['crank-hopeless'] * least ? 'starved' : voltage < least - 1e-9 ? 'tight' : 'fed',
  };
  return { circuit, cable: c };
}

const lengthRests = (c: Pick<Cable, 'asLaid' | 'wire'>): readonly ('wire-length' | 'wire-slack')[] =>
  c.asLaid ? ['wire-slack'] : c.wire?.length === undefined ? ['wire-length'] : [];

const dropFigure = (dropV: number, c: Cable, currentA: number, volts: number, dim: boolean): Figure =>
  figure(
    dropV,
    'voltage',
    'voltage-drop',
    [
      input('L', 'its own cable, one way', c.lengthM, 'length'),
      input('I', 'current', currentA, 'current'),
      copperInput(c.gauge!),
      input('V', 'at the battery', volts, 'voltage'),
    ],
    [dim ? 'wire-drop-dim' : 'wire-drop', 'pump-volts', ...lengthRests(c)],
  );

/** Whether a load loses too much on its way. A load that may lose more than that from the start is never starved by it. */
export const dropVerdict = (dropShare: number, mostDrop: number, starves: number): Verdict =>
  dropShare > starves && mostDrop < starves ? 'starved' : dropShare > mostDrop * (1 + 1e-6) ? 'tight' : 'fed';

/** What a cable is to its fuse and its load: whether it may burn before the fuse blows, and how sure that is. */
export type Burns = 'no fuse' | 'load' | 'fuse' | 'no fuse fits' | 'which insulation' | undefined;

/**
 * A cable that nobody said the insulation of is condemned only where the best that is sold would burn too; a fuse that Pozzo chose
 * never condemns.
 */
export function burns(c: Pick<CableResult, 'gauge' | 'ampacityA' | 'fuseA' | 'typedFuse' | 'unfused' | 'insulation'>, currentA: number, airC: number): Burns {
  if (c.unfused) return 'no fuse';
  if (c.gauge === undefined || c.ampacityA === undefined) return undefined;
  const over = (carries: number): boolean => (c.fuseA ?? Infinity) > carries + 1e-9 || currentA > carries + 1e-9;
  if (!over(c.ampacityA)) return undefined;
  if (currentA <= c.ampacityA && !c.typedFuse) return 'no fuse fits';
  if (c.insulation === undefined && !over(ampacityOf(c.gauge, 'vehicle', airC)!)) return 'which insulation';
  return currentA > c.ampacityA ? 'load' : 'fuse';
}

function judged(c: Cable, currentA: number, dropShare: number | undefined, mostDrop: number, over: number, starves: number, airC: number): Verdict {
  if (c.gauge === undefined || dropShare === undefined) return 'tight';
  const burnt = burns({ ...c, insulation: c.wire?.insulation }, currentA, airC);
  if (burnt) return burnt === 'no fuse fits' || burnt === 'which insulation' ? 'tight' : 'stop';
  if (c.fuseA !== undefined && c.fuseA < currentA) return 'starved';
  const lost = dropVerdict(dropShare, mostDrop, starves);
  return lost !== 'fed' ? lost : c.fuseA !== undefined && c.fuseA < currentA * over - 1e-9 ? 'tight' : 'fed';
}

const cableResult = (c: Cable, fromName: string, toName: string, currentA: number): CableResult => ({
  wireId: c.wire?.id,
  from: c.from,
  to: c.to,
  fromName,
  toName,
  currentA,
  lengthM: c.lengthM,
  asLaid: c.asLaid,
  typedLength: c.wire?.length !== undefined,
  gauge: c.gauge,
  typedGauge: c.typedGauge,
  areaM2: c.gauge === undefined ? undefined : awgArea(c.gauge),
  ampacityA: c.ampacityA,
  fuseA: c.fuseA,
  typedFuse: c.typedFuse,
  unfused: c.unfused,
  insulation: c.wire?.insulation,
  dropV: c.ohms * currentA,
  colour: c.wire?.colour,
  switch: c.wire?.switch,
});

/**
 * Chargers that give a battery all they have. An engine's coil, the sun, and what charges a battery that only starts engines are
 * held by their regulators.
 */
export const hardChargers = <C extends Pick<Charger, 'battery' | 'kind'>>(chargers: readonly C[], battery: Pick<Battery, 'id' | 'use'>): C[] =>
  battery.use === 'start' ? [] : chargers.filter((c) => c.battery === battery.id && c.kind !== 'solar' && c.kind !== 'coil');

/** Loads that run together: what washes, what sprays, what burns by the hour; a starter cranks and a reel winds by itself. */
function groupOf(l: Drawing): string {
  if (!l.steady || l.part === 'reel') return l.id;
  if (l.part === 'burner' || l.part === 'booster') return 'washing';
  if (l.part === 'pump' || l.part === 'remote') return 'spraying';
  return l.engineId ?? 'by the hour';
}

/** What loads take out of a battery, A s: a group's draw together, the one that runs the longest all along, and so harder than each alone. */
function takenTogether(bank: Bank, own: readonly Drawing[]): number {
  const groups = new Map<string, { amps: number; seconds: number }[]>();
  for (const l of own) {
    const group = groupOf(l);
    groups.set(group, [...(groups.get(group) ?? []), { amps: l.current.value, seconds: l.daySeconds }]);
  }
  return [...groups.values()].reduce((sum, group) => sum + drawTogether(bank, group), 0);
}

/** What a day takes out of a battery and puts into it, by the brief. */
function batteryDay(cases: Cases, battery: Battery, own: readonly Drawing[], sprayedS: number): BatteryResult {
  const { rig, values } = cases;
  const bank = bankOf(battery, values);
  const taken = takenTogether(bank, own);
  const washing = washingSeconds(rig, values);
  const working = workingSeconds(rig, values, sprayedS);
  const driving = (rig.brief.day?.jobs ?? []).reduce((s, j) => s + j.phases.reduce((t, p) => t + (p.kind === 'drive' ? p.time : 0), 0), 0);
  const chargers = rig.chargers.filter((c) => c.battery === battery.id);
  const charged = chargers.reduce((s, c) => {
    const seconds =
      c.kind === 'vehicle'
        ? driving
        : c.kind === 'shore'
          ? 0
          : c.kind === 'solar'
            ? working * values['solar-share']
            : c.engine === undefined
              ? working
              : washing;
    return s + c.current * seconds * bank.charges;
  }, 0);
  const net = Math.max(taken - charged, 0);
  const night = chargers.reduce((s, c) => s + (c.kind === 'shore' ? c.current * values['night-hours'] * bank.charges : 0), 0);
  const peukert = `peukert-${battery.chemistry}` as const;
  return {
    batteryId: battery.id,
    name: battery.name,
    volts: voltsOf(battery, values),
    capacityAs: bank.capacityAs,
    usableAs: bank.usableAs,
    taken: figure(
      taken,
      'charge',
      'battery-taken',
      own.map((l) => input('Q', l.name, l.current.value * l.daySeconds, 'charge')),
      [peukert],
    ),
    charged,
    net: figure(
      net,
      'charge',
      'battery-day',
      [input('Q', 'taken', taken, 'charge'), input('Q₊', 'charged while working', charged, 'charge')],
      [peukert, `charge-${battery.chemistry}`],
    ),
    nightAs: Math.min(night, net),
    fullByMorning: night >= net,
    allOnA: own.reduce((s, l) => s + (l.steady ? l.current.value : 0), 0),
    verdict: net > bank.usableAs ? 'starved' : net > bank.usableAs * values['battery-near'] ? 'tight' : 'fed',
  };
}

function mainsOf(cases: Cases): CircuitAnswers['mains'] {
  const { rig, values } = cases;
  const loads = mainsLoads(rig, values);
  const { runningW, startingW } = generatorNeeds(loads, values);
  const set = generatorOf(rig);
  const gives = generatorGives(set, rig, values);
  const fuel = set?.engine?.fuel ?? 'petrol';
  return {
    loads: loads.map((l) => ({ loadId: l.id, name: l.name, powerW: l.powerW, currentA: l.powerW / (rig.mains?.volts ?? values['mains-volts']) })),
    needsW: runningW,
    startsW: startingW,
    hasW: gives?.runningW,
    hasStartW: gives?.startingW,
    fuelM3s: set ? fuelRate(runningW / values['generator-efficiency'], rateOf(fuel, values)) / densityOf(fuel, values) : 0,
  };
}
