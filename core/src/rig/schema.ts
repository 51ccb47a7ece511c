import * as v from 'valibot';
import { type Assumption, ASSUMPTIONS, findAssumption } from '../assumption/register.js';
import { WASH_SURFACES } from '../assumption/wash-surfaces.js';
import { liquid, mix, power, softPump, sprayer } from './chemical-schema.js';
import { workDay } from './day-schema.js';
import { bore, height, id, list, name, note } from './fields.js';
import type { Dimension } from '../quantity/dimension.js';
import { quantity, quantityRuleOf, type QuantityRule, readField } from './quantity-field.js';

/** Current version of the rig document. Older ones are lifted by `upgrade.ts`. */
export const RIG_VERSION = 1;
export const RIG_FORMAT = 'pozzo-rig';

/** Families of fitting and valve whose loss coefficient follows from the bore (see `hydraulics/part-loss.ts`). */
export const FITTING_KINDS = [
  'elbow-90',
  'elbow-90-swept',
  'elbow-45',
  'tee-run',
  'tee-branch',
  'barb',
  'ball-valve',
  'gate-valve',
  'check-valve',
  'bulkhead',
  'bulkhead-projecting',
  'quick-coupler',
  'cam-coupler',
  'swivel',
  'reducer',
  'exit',
] as const;
export const HOSE_KINDS = ['smooth-hose', 'suction-helix', 'suction-corrugated', 'plastic-pipe', 'steel-pipe', 'galvanised-pipe'] as const;
export const VALVE_KINDS = ['inlet-valve', 'float-valve', 'backflow-preventer', 'filter', 'unloader', 'gun-valve', 'metering-valve'] as const;

const partBase = { id, name, item: v.optional(v.string()) };

const hose = v.strictObject({
  ...partBase,
  kind: v.literal('hose'),
  is: v.picklist(HOSE_KINDS),
  bore,
  length: quantity('length', '1 mm', '2000 m'),
  roughness: v.optional(quantity('length', '0 mm', '10 mm')),
  coiledLength: v.optional(quantity('length', '0 m', '2000 m')),
  coilDiameter: v.optional(quantity('length', '20 mm', '5 m')),
});
const fitting = v.strictObject({
  ...partBase,
  kind: v.literal('fitting'),
  is: v.picklist(FITTING_KINDS),
  bore,
  count: quantity('number', '1', '40'),
  /** The bore that the water really meets (barb, reduced ball valve). */
  reducedBore: v.optional(bore),
  /** Loss coefficient on the bore, replacing the family's own. */
  k: v.optional(quantity('number', '0', '10000')),
});
const valve = v.strictObject({
  ...partBase,
  kind: v.literal('valve'),
  is: v.picklist(VALVE_KINDS),
  bore,
  cv: quantity('flowCoefficient', '0.001 Cv', '5000 Cv'),
  /** Pressure lost as soon as anything flows (spring of a backflow preventer). */
  openingLoss: v.optional(quantity('pressure', '0 psi', '50 psi')),
  oneWay: v.optional(v.boolean()),
  /** Share of its full coefficient that a metering valve is opened to. */
  setting: v.optional(quantity('ratio', '0.1 %', '100 %')),
});
const strainer = v.strictObject({
  ...partBase,
  kind: v.literal('strainer'),
  is: v.literal('strainer'),
  bore,
  cvClean: quantity('flowCoefficient', '0.001 Cv', '5000 Cv'),
  cvDirty: quantity('flowCoefficient', '0.001 Cv', '5000 Cv'),
});
export const PartSchema = v.variant('kind', [hose, fitting, valve, strainer]);

/** Where a line begins or ends. */
export const END_KINDS = ['spigot', 'tank', 'manifold', 'booster', 'machine', 'outlet', 'open', 'mix', 'soft-pump', 'sprayer'] as const;
const end = v.strictObject({
  at: v.picklist(END_KINDS),
  id: v.optional(id),
  /** Height above the deck of a tank's bulkhead, or of an open end. */
  height: v.optional(height),
  /** Of a return into a tank: how far from the tank's outlet it comes down. */
  apart: v.optional(quantity('length', '0 in', '40 ft')),
});

export const LINE_ROLES = ['fill', 'tie', 'feed', 'boost', 'pressure', 'bypass', 'dump', 'chemical'] as const;
const line = v.strictObject({
  id,
  name: v.optional(name),
  role: v.picklist(LINE_ROLES),
  from: end,
  to: end,
  /** A shut isolating valve: the line stays on the drawing, no water passes. */
  closed: v.optional(v.boolean()),
  parts: list(PartSchema, 60),
});

const spigot = v.strictObject({
  id,
  name,
  staticPressure: quantity('pressure', '1 psi', '200 psi'),
  /** Above the deck. */
  height,
  readings: v.pipe(
    list(
      v.strictObject({
        /** Flow into an open bucket. */
        flow: quantity('flow', '0.05 gpm', '200 gpm'),
        at: v.picklist(['spigot', 'hose-end']),
      }),
      12,
    ),
    v.minLength(1, 'A spigot needs one timed bucket at least.'),
  ),
});

const side = quantity('length', '2 in', '40 ft');
export const SHAPE_KINDS = ['box', 'upright-cylinder', 'lying-cylinder', 'elliptical'] as const;
const shape = v.variant('kind', [
  v.strictObject({ kind: v.literal('box'), length: side, width: side, height: side }),
  v.strictObject({ kind: v.literal('upright-cylinder'), diameter: side, height: side }),
  v.strictObject({ kind: v.literal('lying-cylinder'), diameter: side, length: side }),
  v.strictObject({ kind: v.literal('elliptical'), width: side, height: side, length: side }),
]);

export const LIQUIDS = ['water', 'antifreeze', 'rinse', 'chemical'] as const;
const tank = v.strictObject({
  id,
  name,
  liquid: v.picklist(LIQUIDS),
  shape,
  /** Bottom of the tank above the deck. */
  base: quantity('length', '0 in', '20 ft'),
  /** Inside height at which the float valve shuts, or the tank is called full. */
  fullLevel: quantity('length', '1 in', '40 ft'),
  /** Inside height when the job starts. */
  startLevel: quantity('length', '0 in', '40 ft'),
  lid: v.picklist(['open', 'closed']),
  /** Clear diameter of the vent; 0 for none. */
  ventBore: quantity('length', '0 in', '12 in'),
  /** The liquid in it; left out for water. */
  holds: v.optional(id),
  /** Where its vent breathes. */
  ventTo: v.optional(v.picklist(['deck', 'outside'])),
  /** Filled through a tube that ends near the bottom. */
  dropTube: v.optional(v.boolean()),
  /** Catch basin under it, drained overboard. */
  bund: v.optional(quantity('volume', '0 gal', '2000 gal')),
});

const machine = v.strictObject({
  id,
  name,
  arrangement: v.picklist(['duplex-single', 'duplex-double', 'triplex', 'quintuplex']),
  flow: quantity('flow', '0.1 gpm', '100 gpm'),
  ratedPressure: quantity('pressure', '50 psi', '10000 psi'),
  unloader: v.strictObject({
    kind: v.picklist(['trapped-pressure', 'regulating']),
    setting: quantity('pressure', '50 psi', '10000 psi'),
  }),
  /** Crank speed of the pump. */
  speed: quantity('rotation', '50 rpm', '6000 rpm'),
  enginePower: quantity('power', '0.1 hp', '200 hp'),
  inletHeight: height,
  /** From the data sheet; left out, the assumption stands in. */
  npshRequired: v.optional(quantity('length', '0 ft', '60 ft')),
});

const booster = v.strictObject({
  id,
  name,
  height,
  running: v.boolean(),
  shutoffPressure: quantity('pressure', '0.5 psi', '150 psi'),
  openFlow: quantity('flow', '0.1 gpm', '200 gpm'),
});

/** Kinds of surface with a limit of their own (assumptions `surface-…`). */
export const SURFACES = ['vehicle', 'wood', 'render', 'stone', 'concrete', 'glass'] as const;

const outlet = v.strictObject({
  id,
  name,
  kind: v.picklist(['gun', 'surface-cleaner', 'hand-wash']),
  open: v.boolean(),
  height: quantity('length', '-100 ft', '200 ft'),
  nozzle: v.strictObject({
    size: quantity('number', '0.1', '200'),
    angle: quantity('number', '0', '120'),
    count: quantity('number', '1', '12'),
  }),
  wantedPressure: quantity('pressure', '1 psi', '10000 psi'),
  /** What it works on; sets the most pressure that may arrive. */
  surface: v.optional(v.picklist(SURFACES)),
});

const manifold = v.strictObject({ id, name, height });

export const REEL_PLACES = ['kerb', 'rear', 'street'] as const;
export const SWIVELS = ['brass', 'steel', 'stainless', 'plastic', 'none'] as const;
const reel = v.strictObject({
  id,
  name,
  /** The line whose hoses it carries. */
  line: id,
  flange: quantity('length', '4 in', '6 ft'),
  core: quantity('length', '1 in', '5 ft'),
  width: quantity('length', '2 in', '6 ft'),
  place: v.picklist(REEL_PLACES),
  /** 1 is the lowest of its stack. */
  row: quantity('number', '1', '6'),
  swivel: v.picklist(SWIVELS),
});

const site = v.strictObject({
  /** From the kerb to the far corner of the work, as the hose lies. */
  distance: quantity('length', '0 ft', '5000 ft'),
  /** Of the work above the kerb. */
  height: quantity('length', '0 ft', '500 ft'),
  /** Corners the hose is led round. */
  corners: quantity('number', '0', '40'),
  /** Spare hose carried besides the reel. */
  spare: quantity('length', '0 ft', '2000 ft'),
  /** Side of the road that traffic keeps to. */
  traffic: v.picklist(['right', 'left']),
});

const brief = v.strictObject({
  /** Length of the longest job. */
  job: quantity('time', '1 min', '24 h'),
  /** Share of the job with the trigger pulled. */
  triggerShare: quantity('ratio', '1 %', '100 %'),
  water: quantity('temperature', '32.5 °F', '150 °F'),
  altitude: quantity('length', '-1400 ft', '20000 ft'),
  /** What is soft washed on a usual day. */
  washes: v.optional(
    list(v.strictObject({ surface: v.picklist(WASH_SURFACES), area: quantity('area', '1 ft²', '1000000 ft²'), perDay: quantity('number', '0.05', '40') }), 12),
  ),
  daysPerWeek: v.optional(quantity('number', '0.2', '7')),
  /** Coldest night that the rig stands out. */
  coldest: v.optional(quantity('temperature', '-60 °F', '120 °F')),
  /** Dissolved solids of the tap water. */
  tapSolids: v.optional(quantity('ratio', '0 ppm', '5000 ppm')),
  /** The day's jobs, phase by phase; left out, a usual day is made up from the rest. */
  day: v.optional(workDay),
});

/** An assumption may be given once each, so there are never more than the register has. */
const assumptions = v.pipe(
  v.custom<Record<string, string>>(
    (x) => typeof x === 'object' && x !== null && !Array.isArray(x) && Object.keys(x).length <= ASSUMPTIONS.length,
    `Assumptions are an object of at most ${ASSUMPTIONS.length} texts.`,
  ),
  v.record(v.string(), v.string()),
  v.rawTransform<Record<string, string>, Record<string, number>>(({ dataset, addIssue }) => {
    const out: Record<string, number> = {};
    for (const [key, text] of Object.entries(dataset.value)) {
      const path = [{ type: 'object' as const, origin: 'value' as const, input: dataset.value, key, value: text }];
      const known = findAssumption(key);
      if (!known) {
        addIssue({ message: `There is no assumption called "${key.slice(0, 60)}".`, expected: 'an assumption of the register', path: path as never });
        continue;
      }
      const read = readField(assumptionRule(known), text);
      if (read.ok) out[key] = read.si;
      else addIssue({ message: read.error.message, expected: read.error.bound, path: path as never });
    }
    return out;
  }),
);

/** Widest values an assumption of a dimension may take. */
const ASSUMPTION_BOUNDS: Partial<Record<Dimension, readonly [string, string]>> = {
  length: ['0 mm', '100 m'],
  velocity: ['0 m/s', '5000 m/s'],
  ratio: ['0 %', '1000 %'],
  temperature: ['0 °C', '100 °C'],
  pressure: ['0 psi', '10000 psi'],
  volume: ['0.1 L', '10000 L'],
  number: ['0.001', '1000'],
  time: ['0 s', '730 d'],
  area: ['0.01 m²', '1000000 m²'],
  coverage: ['0.001 m²/L', '1000 m²/L'],
  voltage: ['1 V', '1000 V'],
  current: ['0 A', '1000 A'],
  money: ['$0', '$100000'],
  flow: ['0 gpm', '2000 gpm'],
};

/** The rule that a rig's own value of an assumption has to meet. */
export function assumptionRule({ id, dimension }: Pick<Assumption, 'id' | 'dimension'>): QuantityRule {
  // What is divided by an efficiency wants one.
  const bounds = id.endsWith('-efficiency') ? (['5 %', '100 %'] as const) : ASSUMPTION_BOUNDS[dimension];
  if (!bounds) throw new RangeError(`No bounds are set for assumptions of ${dimension}.`);
  return quantityRuleOf(dimension, bounds[0], bounds[1]);
}

/** Fields of a rig. */
const body = {
  format: v.literal(RIG_FORMAT, 'This is not a rig file: "format" must be "pozzo-rig".'),
  version: v.literal(RIG_VERSION, `This rig file is of a version that is not known here (known: ${RIG_VERSION}).`),
  name,
  customer: v.pipe(v.string(), v.trim(), v.maxLength(80, 'A name has at most 80 characters.')),
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
  power: v.optional(power),
  lines: list(line, 80),
  reels: v.optional(list(reel, 16), []),
  site: v.optional(site),
  assumptions,
};

/** Another way the same rig could be built, kept beside it: the whole of its document but for options of its own. */
const option = v.strictObject({
  id,
  name,
  rig: v.strictObject(body),
});

/** Most options a rig keeps. */
export const MOST_OPTIONS = 8;

/**
 * The rig document: everything the person sets, as typed. Parsing it gives the same tree with SI numbers.
 */
export const RigSchema = v.strictObject({ ...body, options: v.optional(list(option, MOST_OPTIONS)) });

/** As stored and edited: quantities are texts with units. */
export type RigDocument = v.InferInput<typeof RigSchema>;
/** As computed with: every quantity is an SI number (m, m², m³, m³/s, Pa, K, m/s, s, kg, W, 1/s; shares as fractions). */
export type Rig = v.InferOutput<typeof RigSchema>;

export type OptionDocument = NonNullable<RigDocument['options']>[number];

export type Part = v.InferOutput<typeof PartSchema>;
export type PartDocument = v.InferInput<typeof PartSchema>;
export type Hose = v.InferOutput<typeof hose>;
export type Line = v.InferOutput<typeof line>;
export type LineDocument = v.InferInput<typeof line>;
export type LineRole = (typeof LINE_ROLES)[number];
export type End = v.InferOutput<typeof end>;
export type Spigot = v.InferOutput<typeof spigot>;
export type Tank = v.InferOutput<typeof tank>;
export type TankDocument = v.InferInput<typeof tank>;
export type TankShape = v.InferOutput<typeof shape>;
export type Machine = v.InferOutput<typeof machine>;
export type MachineDocument = v.InferInput<typeof machine>;
export type Booster = v.InferOutput<typeof booster>;
export type Outlet = v.InferOutput<typeof outlet>;
export type OutletDocument = v.InferInput<typeof outlet>;
export type Reel = v.InferOutput<typeof reel>;
export type ReelDocument = v.InferInput<typeof reel>;
export type Site = v.InferOutput<typeof site>;
export type Manifold = v.InferOutput<typeof manifold>;
