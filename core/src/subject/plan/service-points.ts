import type { AssumptionValues } from '../../assumption/register.js';
import type { Box, Standing } from '../../deck/index.js';
import type { EngineOn } from '../../energy/index.js';
import type { Platform, Rig, Side } from '../../rig/schema.js';
import { inFrom, overLid } from './hand-points.js';
import type { Access, HandPoint } from './result.js';
import { clearBefore, openSides, toEdge } from './room.js';

type Placed = Standing & { readonly box: Box };

/** Whether somebody pulls a cord to start it. */
export const startedByCord = (engine: EngineOn | undefined): boolean => engine !== undefined && engine.kind !== 'burner' && !engine.electricStart;

/** Whether an engine is filled at its own cap: it has a tank, and drinks from no other. */
export const filledItself = (rig: Pick<Rig, 'fuelLines'>, engine: EngineOn | undefined): boolean =>
  engine?.own !== undefined && !rig.fuelLines.some((l) => l.to === engine.id);

/** What of an engine's box its oil runs out of, with the room that a pan takes. */
export const lowOf = (box: Box, values: Pick<AssumptionValues, 'pan-height'>): Box => ({ ...box, z1: box.z0 + values['pan-height'] * (box.z1 - box.z0) });

export interface Deck {
  readonly rig: Rig;
  readonly platform: Platform;
  readonly placed: readonly Placed[];
  readonly solid: ReadonlyMap<string, Box>;
  readonly boxes: readonly Box[];
  readonly engines: ReadonlyMap<string, EngineOn>;
  readonly values: AssumptionValues;
}

/** Free before a side, m: to what stands there, to the wall or the cab where nobody can stand, Infinity where it is open. */
function freeBefore(deck: Deck, t: Placed, side: Side, box: Box): number {
  const free = clearBefore(box, side, deck.boxes, deck.solid.get(t.id));
  return openSides(deck.platform).includes(side) ? free : Math.min(free, Math.max(toEdge(box, side, deck.platform), 0));
}

/** Start, oil drain and fuel cap of every engine, and the caps of fuel tanks: where they are, and the room a hand has there. */
export function servicePoints(deck: Deck, access: ReadonlyMap<string, Access>): HandPoint[] {
  const { rig, platform, values } = deck;
  return deck.placed.flatMap((t): HandPoint[] => {
    const { box } = t;
    const engine = deck.engines.get(t.id);
    const own = access.get(t.id);
    const [mx, my] = [(box.x0 + box.x1) / 2, (box.y0 + box.y1) / 2];
    const point = (what: HandPoint['what'], side: Side | undefined, z: number, room: HandPoint['room']): HandPoint => {
      const x = side === 'front' ? box.x0 : side === 'rear' ? box.x1 : mx;
      const y = side === 'kerb' ? box.y0 : side === 'street' ? box.y1 : my;
      const [aboveGroundM, inFromEdgeM] = [platform.height + z, inFrom(platform, x, y)];
      const fromGround = inFromEdgeM <= values['reach'] && aboveGroundM <= values['handle-high'];
      return {
        what,
        lineId: undefined,
        part: undefined,
        called: undefined,
        side,
        thing: t.id,
        x,
        y,
        aboveGroundM,
        inFromEdgeM,
        fromGround,
        behind: undefined,
        room,
      };
    };
    const tall = box.z1 - box.z0;
    const out: HandPoint[] = [];
    if (engine && engine.kind !== 'burner' && own) {
      out.push(point('start', own.side, box.z0 + values['start-height'] * tall, { freeM: own.freeM, wantedM: own.wantedM }));
      const side = t.place?.drain ?? own.side;
      out.push(
        point('oil-drain', side, box.z0 + values['drain-height'] * tall, {
          freeM: freeBefore(deck, t, side, lowOf(box, values)),
          wantedM: values['drain-room'],
        }),
      );
    }
    const filled = t.kind === 'fuel-tank' || filledItself(rig, engine);
    if (filled) out.push(point('fuel-cap', undefined, box.z1, { freeM: overLid(t, deck.placed, deck.solid, platform), wantedM: values['cap-room'] }));
    return out;
  });
}
