import * as v from 'valibot';
import { assumptions } from './assumption-values.js';
import { CABLE_SIZES } from '../electrics/insulation.js';
import { id, label, list, name, note } from './fields.js';
import { airLine } from './thing/air-line.js';
import { aside } from './thing/aside.js';
import { battery } from './thing/battery.js';
import { burner } from './thing/burner.js';
import { charger } from './thing/charger.js';
import { compressor } from './thing/compressor.js';
import { electricLoad } from './thing/electric-load.js';
import { fuelLine } from './thing/fuel-line.js';
import { fuelTank } from './thing/fuel-tank.js';
import { mains } from './thing/mains.js';
import { panel } from './thing/panel.js';
import { receiver } from './thing/receiver.js';
import { wire } from './thing/wire.js';
import { booster } from './thing/booster.js';
import { brief } from './thing/brief.js';
import { line } from './thing/line.js';
import { liquid } from './thing/liquid.js';
import { machine } from './thing/machine.js';
import { manifold } from './thing/manifold.js';
import { mix } from './thing/mix.js';
import { gear } from './thing/gear.js';
import { outlet } from './thing/outlet.js';
import { placement } from './thing/placement.js';
import { platform } from './thing/platform.js';
import { reel } from './thing/reel.js';
import { site } from './thing/site.js';
import { softPump } from './thing/soft-pump.js';
import { spigot } from './thing/spigot.js';
import { sprayer } from './thing/sprayer.js';
import { tank } from './thing/tank.js';
import { MOST_OPTIONS, RIG_FORMAT, RIG_VERSION } from './version.js';

/** Fields of a rig. */
export const body = {
  format: v.literal(RIG_FORMAT, 'This is not a rig file: "format" must be "pozzo-rig".'),
  version: v.literal(RIG_VERSION, `This rig file is of a version that is not known here (known: ${RIG_VERSION}).`),
  name,
  customer: label,
  notes: note,
  brief,
  spigots: list(spigot, 8),
  tanks: list(tank, 16),
  manifolds: list(manifold, 16),
  boosters: list(booster, 8),
  machines: list(machine, 8),
  outlets: list(outlet, 16),
  liquids: v.optional(list(liquid, 16), []),
  softPumps: v.optional(list(softPump, 6), []),
  sprayers: v.optional(list(sprayer, 8), []),
  mixes: v.optional(list(mix, 6), []),
  fuelTanks: v.optional(list(fuelTank, 8), []),
  fuelLines: v.optional(list(fuelLine, 16), []),
  batteries: v.optional(list(battery, 6), []),
  chargers: v.optional(list(charger, 8), []),
  panels: v.optional(list(panel, 4), []),
  wires: v.optional(list(wire, 60), []),
  /** How cable is bought that nobody named yet; left out, by its gauge. */
  cables: v.optional(v.picklist(CABLE_SIZES)),
  loads: v.optional(list(electricLoad, 20), []),
  mains: v.optional(mains),
  compressors: v.optional(list(compressor, 4), []),
  receivers: v.optional(list(receiver, 4), []),
  airLines: v.optional(list(airLine, 8), []),
  burners: v.optional(list(burner, 6), []),
  lines: list(line, 80),
  reels: v.optional(list(reel, 16), []),
  site: v.optional(site),
  platform: v.optional(platform),
  gear: v.optional(list(gear, 40), []),
  placements: v.optional(list(placement, 120), []),
  /** What was set aside of what is left to do. */
  asides: v.optional(list(aside, 60)),
  assumptions,
};

/** Another way the same rig could be built, kept beside it: the whole of its document but for options of its own. */
const option = v.strictObject({
  id,
  name,
  rig: v.strictObject(body),
});

/**
 * The rig document: everything the person sets, as typed. Parsing it gives the same tree with SI numbers.
 */
export const RigSchema = v.strictObject({ ...body, options: v.optional(list(option, MOST_OPTIONS)) });

/** As stored and edited: quantities are texts with units. */
export type RigDocument = v.InferInput<typeof RigSchema>;
/** As computed with: every quantity is an SI number (m, m², m³, m³/s, Pa, K, m/s, s, kg, W, 1/s; shares as fractions). */
export type Rig = v.InferOutput<typeof RigSchema>;

export type OptionDocument = NonNullable<RigDocument['options']>[number];

export { MOST_OPTIONS, RIG_FORMAT, RIG_VERSION } from './version.js';
export { assumptionRule } from './assumption-values.js';
export { END_KINDS, type EndKind, type EndThing, type DeckThing, type Thing, THING_LISTS, THINGS } from './thing/index.js';
export { LINE_ROLES, type LineRole, type ThingKind } from './thing/kind.js';
export { FITTING_KINDS, type Hose, HOSE_KINDS, HOSE_USES, type Part, type PartDocument, PartSchema, VALVE_KINDS } from './thing/part.js';
export type { End, HandTap, Line, LineDocument } from './thing/line.js';
export type { Spigot } from './thing/spigot.js';
export { LIQUIDS, OF_CHEMICALS, SHAPE_KINDS, type Tank, TANK_USES, type TankDocument, type TankShape } from './thing/tank.js';
export { type Drive, driveOf, DRIVES, type Machine, type MachineDocument, TAKE_OFFS, UNLOADER_KINDS } from './thing/machine.js';
export type { Booster } from './thing/booster.js';
export { type Outlet, type OutletDocument, SURFACES } from './thing/outlet.js';
export { type Reel, type ReelDocument, PARKINGS, REEL_PLACES, SWIVELS } from './thing/reel.js';
export type { Site } from './thing/site.js';
export type { Manifold } from './thing/manifold.js';
export type { Liquid, LiquidDocument } from './thing/liquid.js';
export type { SoftPump, SoftPumpDocument } from './thing/soft-pump.js';
export type { Sprayer } from './thing/sprayer.js';
export { type Mix, MIX_WAYS, type MixDocument, type MixWay } from './thing/mix.js';
export { type Gear, GEAR_KINDS, type GearDocument, type GearKind } from './thing/gear.js';
export { type Placement, type PlacementDocument, type Side, SIDES, TURNS } from './thing/placement.js';
export {
  BRAKES,
  COUPLINGS,
  DECK_COATS,
  DECK_MATERIALS,
  DOORS,
  type Platform,
  PLATFORM_KINDS,
  type PlatformDocument,
  type PlatformKind,
} from './thing/platform.js';
export { type Engine, type EngineDocument, FUEL_LIFTS, type FuelLift, STARTERS } from './thing/engine.js';
export type { FuelTank, FuelTankDocument } from './thing/fuel-tank.js';
export type { FuelLine, FuelLineDocument } from './thing/fuel-line.js';
export { type Battery, type BatteryDocument, CHEMISTRIES, SYSTEM_VOLTS } from './thing/battery.js';
export { type Charger, CHARGER_KINDS, type ChargerDocument, type ChargerKind } from './thing/charger.js';
export { type ElectricLoad, type ElectricLoadDocument, LOAD_KINDS, type LoadKind } from './thing/electric-load.js';
export { type Aside, SET_ASIDE } from './thing/aside.js';
export type { Panel, PanelDocument } from './thing/panel.js';
export { type GaugeName, GAUGES, GAUGES_BY, type Wire, type WireDocument } from './thing/wire.js';
export type { Compressor, CompressorDocument } from './thing/compressor.js';
export type { Receiver, ReceiverDocument } from './thing/receiver.js';
export type { AirLine, AirLineDocument } from './thing/air-line.js';
export type { Burner, BurnerDocument } from './thing/burner.js';
export { type Mains, MAINS } from './thing/mains.js';
