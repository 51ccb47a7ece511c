import type { AssumptionValues } from '../assumption/register.js';
import type { FuelKind } from '../fuel/index.js';
import { type Drive, driveOf, type Engine, type FuelLift } from '../rig/schema.js';
import { deratedPower } from '../hydraulics/plunger-pump.js';
import { floorOf, placesOf } from '../rig/stand.js';
import { workedOnce } from '../rig/worked-once.js';

export type EngineKind = 'machine' | 'soft-pump' | 'compressor' | 'gear' | 'burner';

/** Something that burns fuel, as its sheet says and assumptions fill in. SI; heights above the deck. */
export interface EngineOn {
  readonly id: string;
  readonly name: string;
  readonly kind: EngineKind;
  readonly fuel: FuelKind;
  /** At its shaft; of a burner, what it gives the water. */
  readonly powerW: number;
  readonly lift: FuelLift;
  readonly carburettorM: number;
  /** Nobody said where it is. */
  readonly carburettorAssumed: boolean;
  readonly electricStart: boolean;
  /** It idles down by itself while nothing is asked of it. */
  readonly idles: boolean;
  /** Said to have no tank of its own. */
  readonly tankless: boolean;
  /** Tank on the engine itself, m³. */
  readonly own: number | undefined;
}

/** Everything that burns fuel on a rig: engines of their own, generators, burners, in the order of `burnsFuel`. */
export const enginesOn = workedOnce((rig, values): readonly EngineOn[] => {
  const places = placesOf(rig);
  const battery = rig.batteries.length > 0;
  const of = (kind: EngineKind, x: { readonly id: string; readonly name: string }, powerW: number, fuel: FuelKind, engine: Engine | undefined): EngineOn => ({
    id: x.id,
    name: x.name,
    kind,
    fuel: engine?.fuel ?? fuel,
    powerW,
    lift: engine?.lift ?? (kind === 'burner' || (engine?.fuel ?? fuel) === 'diesel' || powerW >= values['fuel-pump-from'] ? 'engine' : 'gravity'),
    carburettorM: engine?.carburettor ?? floorOf(rig, places, x.id) + values['carburettor-height'],
    carburettorAssumed: engine?.carburettor === undefined,
    electricStart: kind !== 'burner' && (engine?.starter ?? (battery && powerW >= values['starter-from'] ? 'electric' : 'recoil')) === 'electric',
    idles: engine?.idles === true,
    tankless: engine?.own === 0,
    own: engine?.own || undefined,
  });
  const petrolOr = (drive: string | undefined): FuelKind => (drive === 'diesel' ? 'diesel' : 'petrol');
  const burns = (drive: string): boolean => drive === 'petrol' || drive === 'diesel';
  return [
    ...rig.machines.filter((m) => burns(driveOf(m))).map((m) => of('machine', m, m.enginePower, petrolOr(m.drive), m.engine)),
    ...rig.softPumps.filter((p) => p.kind === 'engine').map((p) => of('soft-pump', p, (p.openFlow * p.limit) / values['pump-efficiency'], 'petrol', p.engine)),
    ...rig.compressors.filter((c) => burns(driveOf(c))).map((c) => of('compressor', c, c.power, petrolOr(c.drive), c.engine)),
    ...rig.gear.filter((g) => g.kind === 'generator').map((g) => of('gear', g, (g.running ?? 0) / values['generator-efficiency'], 'petrol', g.engine)),
    ...rig.burners.map((b) => of('burner', b, b.heat, b.fuel, b.own === undefined ? undefined : { own: b.own })),
  ];
});

/** Weight of a fuel, kg/m³. */
export const densityOf = (fuel: FuelKind, values: AssumptionValues): number => values[fuel === 'petrol' ? 'fuel-density' : 'diesel-density'];

/** Pounds of fuel for a horsepower and hour. */
export const rateOf = (fuel: FuelKind, values: AssumptionValues): number => values[fuel === 'petrol' ? 'engine-fuel' : 'diesel-fuel'];

/** Share of its power that a drive loses with 1000 ft of altitude: a motor none, a vehicle's engine its own. */
export const derateOf = (drive: Drive, values: AssumptionValues): number =>
  drive === 'electric' ? 0 : values[drive === 'vehicle' ? 'vehicle-derate' : 'engine-derate'];

/** What a drive of a rated power gives at an altitude, W. */
export const powerUp = (ratedW: number, drive: Drive, altitudeM: number, values: AssumptionValues): number =>
  deratedPower(ratedW, altitudeM, derateOf(drive, values));

/** Share of its full power's fuel that an engine burns while nothing is asked of it. */
export const idleShare = (idles: boolean, values: AssumptionValues): number => values[idles ? 'engine-idle-down' : 'engine-idle'];
