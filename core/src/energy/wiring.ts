import type { AssumptionValues } from '../assumption/register.js';
import { ampacityOf, chooseCable, copperC, fuseFor, FUSES, gaugeOf, type Insulation, wireResistance } from '../electrics/index.js';
import { type Box, placedOn, portTo, type Standing } from '../deck/index.js';
import type { Battery, Rig, Wire } from '../rig/schema.js';
import { workedOnce } from '../rig/worked-once.js';
import { enginesOn } from './engines.js';

/** What draws on a battery. */
export type LoadPart = 'pump' | 'booster' | 'remote' | 'reel' | 'starter' | 'burner' | 'lights' | 'ignition' | 'fuel-solenoid' | 'fuel-pump' | 'other';

export interface LoadOn {
  /** Of the thing that draws. */
  readonly id: string;
  readonly name: string;
  readonly part: LoadPart;
  /** Where it stands: itself, or the gun that a remote switch hangs at. */
  readonly at: string;
  readonly batteryId: string;
  /** The engine that it runs with; undefined for what runs by itself. */
  readonly engineId: string | undefined;
}

/** What may be dim: its cable may lose more. */
export const mayBeDim = (part: LoadPart): boolean => part === 'lights' || part === 'other';

/** Every load of a rig with a battery, and which battery it hangs on: by its cable, else by what it is. */
export const loadsOn = workedOnce((rig, values): readonly LoadOn[] => {
  const engines = enginesOn(rig, values);
  const [first] = rig.batteries;
  if (!first) return [];
  const start = rig.batteries.find((b) => b.use === 'start') ?? first;
  const house = rig.batteries.find((b) => b.use !== 'start') ?? first;
  const rootOf = (id: string): string | undefined => {
    const seen = new Set<string>();
    let at = id;
    for (let w = wireTo(rig, at); w && !seen.has(at); w = wireTo(rig, at)) {
      seen.add(at);
      at = w.from;
    }
    return rig.batteries.find((b) => b.id === at)?.id;
  };
  // Electric reels hang on the starter's battery where there is one.
  const usual = (part: LoadPart): string =>
    part === 'starter' || part === 'reel' || part === 'ignition' || part === 'fuel-solenoid' || part === 'fuel-pump' ? start.id : house.id;
  const of = (x: { readonly id: string; readonly name: string }, part: LoadPart, at: string, engineId?: string): LoadOn => ({
    id: x.id,
    name: x.name,
    part,
    at,
    batteryId: rootOf(x.id) ?? usual(part),
    engineId,
  });
  return [
    ...rig.softPumps.filter((p) => p.kind === 'electric').map((p) => of(p, 'pump', p.id)),
    ...rig.boosters.filter((b) => b.running).map((b) => of(b, 'booster', b.id)),
    ...rig.mixes.flatMap((m) => (m.injector?.remote ? [of({ id: m.id, name: `Remote switch of ${m.name}` }, 'remote', m.injector.outlet)] : [])),
    ...rig.reels.filter((r) => r.motor !== undefined).map((r) => of({ id: r.id, name: `Motor of ${r.name}` }, 'reel', r.id)),
    ...engines.filter((e) => e.electricStart).map((e) => of({ id: e.id, name: `Starter of ${e.name}` }, 'starter', e.id)),
    ...rig.burners.map((b) => of(b, 'burner', b.id, b.machine)),
    ...rig.loads.map((l) => of(l, l.kind, l.engine ?? l.id, l.engine)),
  ];
});

export const wireTo = (rig: Pick<Rig, 'wires'>, id: string): Wire | undefined => rig.wires.find((w) => w.to === id);

/** Volts of a battery's system: 12.5 for every 12. */
export const voltsOf = (battery: Pick<Battery, 'volts'> | undefined, values: AssumptionValues): number =>
  values['pump-volts'] * (battery?.volts === '24' ? 2 : 1);

/** A stretch of cable as built, or as chosen. SI. */
export interface Cable {
  readonly wire: Wire | undefined;
  readonly from: string;
  readonly to: string;
  readonly lengthM: number;
  readonly asLaid: boolean;
  /** Undefined where none that is sold does. */
  readonly gauge: number | undefined;
  readonly typedGauge: boolean;
  readonly fuseA: number | undefined;
  readonly typedFuse: boolean;
  readonly ampacityA: number | undefined;
  readonly ohms: number;
  /** It has no fuse, as said. */
  readonly unfused: boolean;
}

/** Where things stand, for the lengths of cables. */
export class Lengths {
  private readonly boxes: ReadonlyMap<string, Box>;

  constructor(
    readonly rig: Rig,
    readonly values: AssumptionValues,
    things: readonly Standing[] = placedOn(rig),
  ) {
    this.boxes = new Map(things.flatMap((t) => (t.box ? [[t.id, t.box] as const] : [])));
  }

  /** Along deck and walls, with slack, m; the usual length while either has no place. */
  between(from: string, to: string): { readonly lengthM: number; readonly asLaid: boolean } {
    const [a, b] = [this.boxes.get(from), this.boxes.get(to)];
    if (!a || !b) return { lengthM: this.values['wire-length'], asLaid: false };
    const [p, q] = [portTo(a, b, a.z0), portTo(b, a, b.z0)];
    const way = Math.abs(p.x - q.x) + Math.abs(p.y - q.y) + Math.abs(p.z - q.z);
    return { lengthM: Math.max(way * (1 + this.values['wire-slack']), 0.3), asLaid: true };
  }
}

const celsius = (kelvin: number): number => kelvin - 273.15;

/** What a cable of which nobody said is insulated for: the weakest that is sold. */
export const insulationOf = (wire: Pick<Wire, 'insulation'> | undefined): Insulation => wire?.insulation ?? '60';

/** A fuse that Pozzo chooses: over the load by its share, and no more than a cable that is there carries where the load leaves it room. */
function fuseOn(currentA: number, over: number, carries: number | undefined): number | undefined {
  const wanted = fuseFor(currentA, over);
  if (wanted === undefined || carries === undefined || wanted <= carries) return wanted;
  return [...FUSES].reverse().find((f) => f <= carries && f >= currentA) ?? wanted;
}

/** A cable for a current: as its wire says, what that leaves open chosen. */
export function cableFor(
  lengths: Lengths,
  ends: { readonly from: string; readonly to: string; readonly at: string },
  wire: Wire | undefined,
  currentA: number,
  volts: number,
  mostDrop: number,
): Cable {
  const { values } = lengths;
  const laid = lengths.between(ends.from, ends.at);
  const lengthM = wire?.length ?? laid.lengthM;
  const [insulation, airC] = [insulationOf(wire), celsius(values['wire-air'])];
  const typed = wire?.gauge === undefined ? undefined : gaugeOf(wire.gauge);
  const fuseA = wire?.unfused
    ? undefined
    : (wire?.fuse ?? fuseOn(currentA, values['fuse-over'], typed === undefined ? undefined : ampacityOf(typed, insulation, airC)));
  const gauge =
    typed ??
    (fuseA === undefined && !wire?.unfused ? undefined : chooseCable(currentA, lengthM, volts, mostDrop, fuseA, insulation, airC, lengths.rig.cables)?.gauge);
  return {
    wire,
    from: ends.from,
    to: ends.to,
    lengthM,
    asLaid: wire?.length === undefined && laid.asLaid,
    gauge,
    typedGauge: typed !== undefined,
    fuseA,
    typedFuse: wire?.fuse !== undefined,
    ampacityA: gauge === undefined ? undefined : ampacityOf(gauge, insulation, airC),
    ohms: gauge === undefined ? 0 : 2 * lengthM * wireResistance(gauge, copperC(gauge, currentA, insulation, airC)),
    unfused: wire?.unfused === true,
  };
}

/**
 * Ω there and back from its battery to a load by cables whose gauge is typed, and how much more for each A² of its own that warms
 * their copper; 0 where none is: a cable yet to be chosen slows nothing.
 */
export function builtOhms(rig: Rig, values: AssumptionValues, loadId: string): { readonly ohms: number; readonly ohmsPerA2: number } {
  let [ohms, ohmsPerA2] = [0, 0];
  if (!rig.wires.some((w) => w.to === loadId)) return { ohms, ohmsPerA2 };
  const lengths = new Lengths(rig, values);
  const airC = celsius(values['wire-air']);
  const seen = new Set<string>();
  let at = loadId;
  for (let w = wireTo(rig, at); w && !seen.has(at); w = wireTo(rig, at)) {
    seen.add(at);
    if (w.gauge !== undefined) {
      const [gauge, metres] = [gaugeOf(w.gauge), 2 * (w.length ?? lengths.between(w.from, at).lengthM)];
      const cold = metres * wireResistance(gauge, airC);
      ohms += cold;
      ohmsPerA2 += metres * wireResistance(gauge, copperC(gauge, 1, insulationOf(w), airC)) - cold;
    }
    at = w.from;
  }
  return { ohms, ohmsPerA2 };
}
