import { attack, LIQUID_NAMES, type LiquidKind, meeting, type Wetted } from '../../chemistry/compatibility.js';
import type { Mix } from '../../rig/schema.js';
import type { Line, Rig } from '../../rig/schema.js';
import type { Stocks } from '../../solve/stock.js';
import { transferWays } from '../../solve/transfer.js';
import type { MeetingResult } from './result.js';

/** Liquids that pass a place: the mix of streams at once, or one after another through a pump, hose or tank. */
interface Place {
  readonly name: string;
  readonly kinds: ReadonlyMap<LiquidKind, string>;
}

/** Every branch of a mix, shut ones too: a shut valve is opened one day. */
const branchesOf = (rig: Rig, mix: Mix): Line[] => rig.lines.filter((l) => l.role === 'chemical' && l.to.at === 'mix' && l.to.id === mix.id);

/** Where liquids can meet on a rig. */
function placesOf(rig: Rig, stocks: Stocks): Place[] {
  const carried = new Map<string, Map<LiquidKind, string>>();
  const add = (place: string, kind: LiquidKind, name: string): void => {
    const at = carried.get(place) ?? new Map<LiquidKind, string>();
    carried.set(place, at.set(kind, at.get(kind) ?? name));
  };
  for (const mix of rig.mixes) {
    const into: [LiquidKind, string][] = branchesOf(rig, mix)
      .filter((l) => l.from.at === 'tank')
      .map((l) => {
        const s = stocks.in(rig.tanks.find((t) => t.id === l.from.id)!);
        return [s.liquid.kind, s.liquid.name];
      });
    const stock = stocks.of(mix.stock);
    into.push([stock.liquid.kind, stock.liquid.name]);
    for (const own of [mix.soap, mix.second]) {
      if (!own) continue;
      const soap = stocks.of(own.liquid);
      into.push([soap.liquid.kind, soap.liquid.name]);
    }
    // A stick goes into any container on board, unless it is kept for one.
    if (mix.way === 'draw-stick' && !mix.ownStick) for (const { liquid } of stocks.all) into.push([liquid.kind, liquid.name]);
    const after = rig.lines.find((l) => l.role === 'chemical' && l.from.at === 'mix' && l.from.id === mix.id);
    const pump = rig.softPumps.find((p) => p.id === after?.to.id);
    const gun = rig.outlets.find((o) => o.id === mix.injector?.outlet);
    for (const [kind, name] of into) {
      if (kind === 'water') continue;
      add(mix.name, kind, name);
      if (pump) add(`${pump.name} and its hose`, kind, name);
      if (gun) add(`the hose of ${gun.name}`, kind, name);
    }
  }
  for (const { pump, from, to } of transferWays(rig)) {
    const [moved, there] = [stocks.in(from), stocks.in(to)].map((s) => s.liquid);
    if (moved.kind === 'water') continue;
    add(to.name, moved.kind, moved.name);
    if (there.kind !== 'water') add(to.name, there.kind, there.name);
    add(`${pump.name} and its hose`, moved.kind, moved.name);
  }
  // What tanks are tied by, or gathered in, carries the liquid of each; a shut valve is opened one day.
  const joined = (place: string, ids: readonly (string | undefined)[]): void => {
    for (const tank of rig.tanks) {
      const { liquid } = stocks.in(tank);
      if (ids.includes(tank.id) && liquid.kind !== 'water') add(place, liquid.kind, liquid.name);
    }
  };
  for (const l of rig.lines) if (l.role === 'tie') joined(l.name ?? 'the tie', [l.from.id, l.to.id]);
  for (const m of rig.manifolds)
    joined(
      m.name,
      rig.lines.filter((l) => l.from.at === 'tank' && l.to.at === 'manifold' && l.to.id === m.id).map((l) => l.from.id),
    );
  return [...carried].map(([name, kinds]) => ({ name, kinds }));
}

/** Pairs of liquids on the rig that are not indifferent to one another, and where they can meet. */
export function assessMeetings(rig: Rig, stocks: Stocks): MeetingResult[] {
  const places = placesOf(rig, stocks);
  const out: MeetingResult[] = [];
  const all = stocks.all;
  for (let i = 0; i < all.length; i++)
    for (let j = i + 1; j < all.length; j++) {
      const [a, b] = [all[i].liquid, all[j].liquid];
      const m = meeting(a.kind, b.kind);
      if (m.verdict === 'ok') continue;
      out.push({
        a: a.id,
        b: b.id,
        verdict: m.verdict,
        reason: m.reason,
        places: places.filter((p) => p.kinds.has(a.kind) && p.kinds.has(b.kind)).map((p) => p.name),
      });
    }
  return out;
}

const SWIVEL: Readonly<Record<string, Wetted | undefined>> = { brass: 'brass', steel: 'steel', stainless: 'stainless', plastic: 'polypropylene' };

/** Something that a liquid eats. */
export interface Attack {
  readonly kind: 'soft-pump' | 'reel';
  readonly id: string;
  readonly name: string;
  readonly part: string;
  readonly material: Wetted;
  readonly liquid: string;
  readonly reason: string;
}

/** Pumps and reel swivels that carry what attacks them. */
export function attacksOf(rig: Rig, stocks: Stocks): Attack[] {
  const out: Attack[] = [];
  const kindsInto = (mix: Mix): Set<LiquidKind> => {
    const kinds = new Set<LiquidKind>([stocks.of(mix.stock).liquid.kind]);
    for (const l of branchesOf(rig, mix)) if (l.from.at === 'tank') kinds.add(stocks.in(rig.tanks.find((t) => t.id === l.from.id)!).liquid.kind);
    kinds.delete('water');
    return kinds;
  };
  const tell = (
    kind: Attack['kind'],
    thing: { id: string; name: string },
    part: string,
    material: Wetted | undefined,
    kinds: ReadonlySet<LiquidKind>,
  ): void => {
    if (!material) return;
    for (const k of kinds) {
      const reason = attack(k, material);
      // Stainless that is rinsed stands SH for years; only what fails soon is told.
      if (reason && !(material === 'stainless')) out.push({ kind, id: thing.id, name: thing.name, part, material, liquid: LIQUID_NAMES[k], reason });
    }
  };
  for (const mix of rig.mixes) {
    const kinds = kindsInto(mix);
    const into = rig.lines.find((l) => l.role === 'chemical' && l.from.at === 'mix' && l.from.id === mix.id);
    const pump = rig.softPumps.find((p) => p.id === into?.to.id);
    if (pump) {
      tell('soft-pump', pump, 'body', pump.body, kinds);
      tell('soft-pump', pump, 'seals', pump.seals, kinds);
    }
    const own = new Set(
      rig.lines
        .filter(
          (l) =>
            (l.from.at === 'soft-pump' && l.from.id === pump?.id && !!pump) ||
            (l.role === 'pressure' && l.to.at === 'outlet' && l.to.id === mix.injector?.outlet),
        )
        .map((l) => l.id),
    );
    for (const reel of rig.reels) if (own.has(reel.line)) tell('reel', reel, 'swivel', SWIVEL[reel.swivel], kinds);
  }
  for (const { pump, from } of transferWays(rig)) {
    const { kind } = stocks.in(from).liquid;
    if (kind === 'water') continue;
    tell('soft-pump', pump, 'body', pump.body, new Set([kind]));
    tell('soft-pump', pump, 'seals', pump.seals, new Set([kind]));
  }
  const seen = new Set<string>();
  return out.filter((a) => {
    const key = `${a.id}:${a.part}:${a.liquid}`;
    return !seen.has(key) && !!seen.add(key);
  });
}
