import * as v from 'valibot';
import { bore, cleaned, id, name, oneLine } from '../fields.js';
import { quantity } from '../quantity-field.js';

/** Families of fitting and valve whose loss coefficient follows from the bore (see `catalogue/part-loss.ts`). */
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
  'foot-valve',
  'bulkhead',
  'bulkhead-projecting',
  'quick-coupler',
  'cam-coupler',
  'swivel',
  'reducer',
  'exit',
  'anti-vortex',
  'three-way-run',
  'three-way-turn',
  'grommet',
  'accumulator',
] as const;
export const HOSE_KINDS = ['smooth-hose', 'suction-helix', 'suction-corrugated', 'plastic-pipe', 'steel-pipe', 'galvanised-pipe'] as const;
export const VALVE_KINDS = ['inlet-valve', 'float-valve', 'backflow-preventer', 'filter', 'unloader', 'gun-valve', 'metering-valve'] as const;

/** Backflow preventers, the weakest first. */
export const DEVICES = ['vacuum-breaker', 'double-check', 'reduced-pressure'] as const;
export type Device = (typeof DEVICES)[number];

/** What a hose is for, where that decides something: a whip joins the machine or a manifold and never lies on a reel. */
export const HOSE_USES = ['whip'] as const;

const partBase = {
  id,
  name,
  item: v.optional(v.pipe(v.string(), cleaned(oneLine))),
  /** Most pressure that it is made for, from its sheet; left out, what its kind usually stands. */
  rated: v.optional(quantity('pressure', '1 psi', '20000 psi')),
  /** Hottest water that it stands; left out, what is sold for cold water. */
  stands: v.optional(quantity('temperature', '70 °F', '400 °F')),
};

const hose = v.strictObject({
  ...partBase,
  kind: v.literal('hose'),
  is: v.picklist(HOSE_KINDS),
  bore,
  length: quantity('length', '1 mm', '2000 m'),
  roughness: v.optional(quantity('length', '0 mm', '10 mm')),
  coiledLength: v.optional(quantity('length', '0 m', '2000 m')),
  coilDiameter: v.optional(quantity('length', '20 mm', '5 m')),
  use: v.optional(v.picklist(HOSE_USES)),
  /** Its length follows from where things stand on the deck. */
  asLaid: v.optional(v.boolean()),
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
  /** Of a backflow preventer: which device it is; left out, nobody said. */
  device: v.optional(v.picklist(DEVICES)),
});
const strainer = v.strictObject({
  ...partBase,
  kind: v.literal('strainer'),
  is: v.literal('strainer'),
  bore,
  cvClean: quantity('flowCoefficient', '0.001 Cv', '5000 Cv'),
  cvDirty: quantity('flowCoefficient', '0.001 Cv', '5000 Cv'),
});
/** Whether a part keeps water from running back into the customer's pipes. */
export const preventsBackflow = (p: Pick<Part, 'kind' | 'is'>): boolean => p.kind === 'valve' && p.is === 'backflow-preventer';

export const PartSchema = v.variant('kind', [hose, fitting, valve, strainer]);

export type Part = v.InferOutput<typeof PartSchema>;
export type PartDocument = v.InferInput<typeof PartSchema>;
export type Hose = v.InferOutput<typeof hose>;
