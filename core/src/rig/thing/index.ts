import { AIR_LINE } from './air-line.js';
import { BATTERY } from './battery.js';
import { BURNER } from './burner.js';
import { CHARGER } from './charger.js';
import { COMPRESSOR } from './compressor.js';
import { ELECTRIC_LOAD } from './electric-load.js';
import { FUEL_LINE } from './fuel-line.js';
import { FUEL_TANK } from './fuel-tank.js';
import { PANEL } from './panel.js';
import { RECEIVER } from './receiver.js';
import { WIRE } from './wire.js';
import { BOOSTER } from './booster.js';
import { GEAR } from './gear.js';
import type { ThingKind } from './kind.js';
import { LIQUID } from './liquid.js';
import { MACHINE } from './machine.js';
import { MANIFOLD } from './manifold.js';
import { MIX } from './mix.js';
import { OUTLET } from './outlet.js';
import { REEL } from './reel.js';
import { SOFT_PUMP } from './soft-pump.js';
import { SPIGOT } from './spigot.js';
import { SPRAYER } from './sprayer.js';
import { TANK } from './tank.js';

/** Every kind of thing that a rig has a list of. All that is the same about every one of a kind is told in its file. */
export const THINGS = {
  spigot: SPIGOT,
  tank: TANK,
  manifold: MANIFOLD,
  booster: BOOSTER,
  machine: MACHINE,
  outlet: OUTLET,
  mix: MIX,
  'soft-pump': SOFT_PUMP,
  sprayer: SPRAYER,
  liquid: LIQUID,
  reel: REEL,
  'fuel-tank': FUEL_TANK,
  'fuel-line': FUEL_LINE,
  battery: BATTERY,
  charger: CHARGER,
  panel: PANEL,
  wire: WIRE,
  load: ELECTRIC_LOAD,
  compressor: COMPRESSOR,
  gear: GEAR,
  receiver: RECEIVER,
  'air-line': AIR_LINE,
  burner: BURNER,
} as const satisfies Readonly<Record<string, ThingKind>>;

export type Thing = keyof typeof THINGS;
/** A kind of which some stand on the deck. */
export type DeckThing = { [K in Thing]: (typeof THINGS)[K]['stands'] extends false ? never : K }[Thing];
/** A kind that a line may start or end at. */
export type EndThing = { [K in Thing]: (typeof THINGS)[K] extends { readonly starts: unknown } ? K : never }[Thing];
/** Where a line begins or ends: a thing, or the open air. */
export type EndKind = EndThing | 'open';

const isEnd = (kind: ThingKind): boolean => kind.starts !== undefined;
export const END_KINDS: readonly [EndKind, ...EndKind[]] = ['open', ...(Object.keys(THINGS) as Thing[]).filter((k): k is EndThing => isEnd(THINGS[k]))];

/** Lists of a rig whose entries are known by an id of their own. */
export const THING_LISTS = [...Object.values(THINGS).map((k) => k.list), 'lines'] as const;
