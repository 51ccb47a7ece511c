import * as v from 'valibot';
import { FUEL_KINDS } from '../../fuel/index.js';
import { id, name } from '../fields.js';
import { quantity } from '../quantity-field.js';
import { engine } from './engine.js';
import type { ThingKind } from './kind.js';

/** What rides on a deck besides tanks, pumps and reels. A shelf carries other things on its top and leaves the floor under it free. */
export const GEAR_KINDS = [
  'shelf',
  'box',
  'bin',
  'bucket-rack',
  'ladder-rack',
  'pole-tube',
  'gun-rack',
  'cleaner-bracket',
  'spare-hose',
  'generator',
  'fuel-can',
  'extinguisher',
  'cones',
  'chocks',
  'first-aid',
  'protective',
  'tools',
] as const;
export type GearKind = (typeof GEAR_KINDS)[number];
export interface Kinded {
  readonly kind: GearKind;
}
/** What a hand has to get at, and what an exhaust melts. */
const SERVED: ReadonlySet<GearKind> = new Set(['box', 'bin', 'generator', 'fuel-can', 'extinguisher', 'first-aid']);
const MELTING: ReadonlySet<GearKind> = new Set(['fuel-can', 'spare-hose', 'protective']);

const side = quantity('length', '1 in', '40 ft');

/** A thing that is carried. Its measures are over all; of a shelf, the height of its top. */
export const gear = v.strictObject({
  id,
  name,
  kind: v.picklist(GEAR_KINDS),
  length: side,
  width: side,
  height: side,
  mass: quantity('mass', '0 lb', '5000 lb'),
  /** Most that may stand on a shelf. */
  carries: v.optional(quantity('mass', '1 lb', '10000 lb')),
  /** Of a fuel can: what it holds, and of which fuel; left out, it is not counted on. */
  volume: v.optional(quantity('volume', '0.1 gal', '30 gal')),
  fuel: v.optional(v.picklist(FUEL_KINDS)),
  /** Of a generator: what it gives for hours, and for the seconds of a start. */
  running: v.optional(quantity('power', '0.1 kW', '50 kW')),
  starting: v.optional(quantity('power', '0.1 kW', '80 kW')),
  engine: v.optional(engine),
});

export const GEAR = {
  list: 'gear',
  word: 'gear',
  refers: [],
  burns: (g: Kinded) => g.kind === 'generator',
  draws: false,
  stands: true,
  served: (g: Kinded) => SERVED.has(g.kind),
  started: false,
  melts: (g: Kinded) => MELTING.has(g.kind),
  holdsFuel: (g: Kinded) => g.kind === 'fuel-can',
} as const satisfies ThingKind;

export type Gear = v.InferOutput<typeof gear>;
export type GearDocument = v.InferInput<typeof gear>;
