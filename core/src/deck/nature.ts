import { burnsFuel, entriesOf, isOf, type Lists } from '../rig/refers.js';
import { type DeckThing, THINGS } from '../rig/schema.js';
import type { OnDeck, ThingKind } from '../rig/thing/kind.js';

/** Something on the deck, by what kind it is of. */
interface Placed {
  readonly id: string;
  readonly kind: DeckThing;
}

/** What a kind says of its entries on the deck, asked of one. */
const asked =
  (what: keyof OnDeck) =>
  (rig: object, { id, kind }: Placed): boolean => {
    const of: ThingKind = THINGS[kind];
    const own = of[what];
    if (typeof own === 'boolean') return own;
    const entry = entriesOf(rig as Lists, of.list).find((x) => x.id === id);
    return entry !== undefined && isOf(own, entry);
  };

/** What a hand has to get at. A tank of water is filled from above, and got at from a side only where one is said. */
export const isServed = asked('served');
/** What is started by hand: out of reach it is climbed for. */
export const isStarted = ({ kind }: Placed): boolean => THINGS[kind].started;
/** What an exhaust melts, or sets on fire. */
export const melts = asked('melts');
/** What holds fuel and is filled with it. */
export const holdsFuel = asked('holdsFuel');
/** What blows an exhaust, by id. */
export const blowsExhaust = (rig: object): ReadonlySet<string> => new Set(burnsFuel(rig));
