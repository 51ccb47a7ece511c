import { assumptionValues } from '../assumption/register.js';
import { flatMap } from '../lists.js';
import type { End, Line, LineRole, Machine, Mix, Rig, Tank } from '../rig/schema.js';
import { suppliedOf } from '../solve/blend-network.js';
import { returnsToItself } from '../solve/solved.js';
import { mixMadeIn } from '../solve/stock.js';
import type { Reading } from './subject.js';

const linesOf = (rig: Rig, ...roles: readonly LineRole[]): readonly object[] => rig.lines.filter((l) => roles.includes(l.role));

/** Where chemicals are drawn from a tank bears on how deep it may be drawn; what is in their lines does not. */
const chemicalEnds = (rig: Rig): readonly unknown[] => flatMap(rig.lines, (l) => (l.role === 'chemical' ? [l.from, l.to, l.closed] : []));

/** Air and water, and what is taken for granted. */
export const air = ({ assumptions, brief }: Rig): readonly unknown[] => [assumptions, brief.water, brief.altitude];

/** A level that was solved, to the nanometre: what the solver leaves behind that is no change. */
const level = (m: number): number => Math.round(m * 1e9);
/** A flow that was solved, m³/s, likewise. */
export const flowed = (m3s: number): number => Math.round(m3s * 1e12);

/** A list that several subjects read, see {@link SharedLists}: to be read as one. */
function shared<Of extends Pick<Reading, 'lists'>>(make: (of: Of) => readonly unknown[]): (of: Of) => readonly unknown[] {
  return (of) => of.lists.of(make, () => make(of));
}

/** How deep each tank may be drawn. */
export const levels = shared(({ ground }: Reading): readonly unknown[] => [...ground.cases.heel.values()].map(level));

type Things = Pick<Reading, 'rig' | 'bare' | 'wet' | 'lists'>;

/** Air, water and every thing from the spigots to the pumps. */
const upToPumps = shared(({ rig, bare, wet }: Things): readonly unknown[] => [
  ...air(rig),
  ...wet(rig.tanks),
  ...bare([...rig.spigots, ...rig.manifolds, ...rig.boosters, ...rig.machines]),
]);

/** What the flow and head before the pumps, and the levels of the tanks, hang on. */
export const beforePumps = shared((of: Reading): readonly unknown[] => {
  const { rig } = of;
  if (returnsToItself(rig)) return allWater(of);
  return [upToPumps(of), ...linesOf(rig, 'fill', 'tie', 'feed', 'boost'), ...chemicalEnds(rig)];
});

/** What flow and pressure hang on, before and behind the pumps. */
export const allWater = shared((of: Things): readonly unknown[] => {
  const { rig, bare } = of;
  return [upToPumps(of), ...bare(rig.outlets), ...linesOf(rig, 'fill', 'tie', 'feed', 'boost', 'pressure', 'bypass'), ...chemicalEnds(rig)];
});

/**
 * What leaves the tanks hangs on: how they are filled bears on it only where what fills one crosses a tie, or where taps
 * feed more than tanks.
 */
export function behindTanks(of: Reading): readonly unknown[] {
  const { rig, bare, wet } = of;
  const apart = (l: Line): boolean => (l.role === 'fill' ? l.from.at === 'spigot' && l.to.at === 'tank' : l.role !== 'tie' && l.from.at !== 'spigot');
  if (!rig.lines.every(apart)) return [allWater(of)];
  return [
    ...air(rig),
    ...wet(rig.tanks),
    ...bare([...rig.manifolds, ...rig.boosters, ...rig.machines, ...rig.outlets]),
    ...linesOf(rig, 'feed', 'boost', 'pressure', 'bypass'),
    ...chemicalEnds(rig),
  ];
}

/** Of what is before these pumps only what water they get; of the tanks what presses on the ends of the lines back to them. */
function atPumps({ rig, ground: { cases } }: Reading, machines: readonly Machine[], lines: readonly Line[]): readonly unknown[] {
  return [
    ...air(rig),
    // What a starved pump gets; of one that is fed, nothing before it bears on what is behind.
    ...flatMap(machines, (m) => [cases.net.cutOff.has(m.id), flowed(cases.asDrawn.machineFlow(m))]),
    ...flatMap(lines, (l) => (l.role === 'bypass' && l.to.at === 'tank' ? [l.id, level(cases.asDrawn.headOf('lineEnd', l.id))] : [])),
  ];
}

/** What pressures and what comes back hang on. */
export const behindPumps = shared((of: Reading): readonly unknown[] => {
  const { rig, bare } = of;
  if (returnsToItself(rig)) return allWater(of);
  return [...atPumps(of, rig.machines, rig.lines), ...bare(rig.manifolds), ...bare(rig.machines), ...bare(rig.outlets), ...linesOf(rig, 'pressure', 'bypass')];
});

/** The same with the tanks that it comes back to, and how deep they may be drawn. */
export const behindPumpsAndTanks = shared((of: Reading): readonly unknown[] => [behindPumps(of), ...of.wet(of.rig.tanks), levels(of)]);

/** What the pressures in the part behind the pumps hang on that a gun belongs to, by its id. */
export function gunPartOf(of: Reading, gun: string): readonly unknown[] {
  if (returnsToItself(of.rig)) return allWater(of);
  const part = of.gunParts.get(`outlet:${gun}`)!;
  return of.lists.of(`behind the pumps: ${part.name}`, () => [...atPumps(of, part.machines, part.lines), ...of.bare(part.things), ...part.lines]);
}

/** What the part before the pumps hangs on that a thing belongs to (`machine:a`, `line:fill`, `tank:b`). */
export function feedPartOf(of: Reading, thing: string): readonly unknown[] {
  const { rig, bare, wet, ground, parts, lists } = of;
  if (returnsToItself(rig)) return [allWater(of)];
  const depth = (tank: Tank): number => level(ground.cases.heel.get(tank.id)!);
  const out: unknown[] = [];
  const part = parts.get(thing);
  if (part)
    out.push(
      lists.of(`before the pumps: ${part.name}`, () => {
        const [tanks, deep] = [part.tankIds, part.deepIds].map((ids) => rig.tanks.filter((t) => ids.includes(t.id)));
        return [...air(rig), ...bare(part.things), ...part.lines, ...wet(tanks), ...deep.map(depth)];
      }),
    );
  const own = rig.tanks.find((t) => thing === `tank:${t.id}`);
  if (own) out.push(...air(rig), ...wet([own]), depth(own));
  return out;
}

/** Things of fuel, charge, air and heat that stand on a deck. */
const carriers = (rig: Rig): readonly object[] => [
  ...rig.fuelTanks,
  ...rig.batteries,
  ...rig.panels,
  ...rig.compressors,
  ...rig.receivers,
  ...rig.burners,
  ...rig.wires,
  ...rig.chargers,
];

const deckThings = shared(({ rig, bare }: Things): readonly unknown[] => [
  ...rig.placements,
  ...bare([...rig.gear, ...rig.machines, ...rig.softPumps, ...rig.boosters, ...rig.manifolds, ...rig.mixes, ...rig.reels, ...rig.liquids]),
  ...rig.lines,
  ...carriers(rig),
]);

/** What stands on the platform and what is laid between: nothing of it without a platform. `more` is read beside them. */
export const onTheDeck = (of: Things, more: readonly unknown[]): readonly unknown[] => [
  of.rig.assumptions,
  of.rig.platform,
  ...(of.rig.platform ? [deckThings(of), ...more] : []),
];

/** Tanks by what a blend makes of them, with the names that its answers carry. What is mixed in one is lighter than its stock. */
const drawnOn = ({ rig, wet }: Things, tanks: readonly Tank[]): readonly unknown[] => [
  ...flatMap(tanks, (t) => [t.name, mixMadeIn(rig, t)?.id]),
  ...wet(tanks),
];

/** Tanks that hold chemicals, or are drawn on with them. */
function chemicalTanks(rig: Rig): readonly Tank[] {
  const drawn = new Set(
    flatMap(
      flatMap(rig.lines, (l) => (l.role === 'chemical' ? [l.from, l.to] : [])),
      (e) => (e.at === 'tank' && e.id !== undefined ? [e.id] : []),
    ),
  );
  return rig.tanks.filter((t) => t.liquid === 'chemical' || t.holds !== undefined || drawn.has(t.id));
}

/** What stands in the tanks: their liquids, and what is mixed in them. */
export const contents = ({ rig, bare }: Things): readonly unknown[] => [
  ...bare(rig.liquids),
  ...bare(rig.mixes),
  ...rig.tanks.map((t) => t.holds),
  ...chemicalEnds(rig),
];

/** How deep each tank of chemicals may be drawn. */
export const chemicalLevels = ({ rig, ground }: Reading): readonly unknown[] =>
  flatMap(rig.tanks, (t) => (t.liquid === 'chemical' ? [level(ground.cases.heel.get(t.id)!)] : []));

/** Volts of the electric pumps and the ohms of their cables as built: by value, whatever those hang on (batteries, wires, where things stand). */
function supplies(rig: Rig): readonly unknown[] {
  const electric = rig.softPumps.filter((p) => p.kind === 'electric');
  if (!electric.length) return [];
  const values = assumptionValues(rig.assumptions);
  return flatMap(electric, (p) => {
    const { volts, ohms } = suppliedOf(rig, p, values);
    return [p.id, volts, ohms];
  });
}

/** What every blend hangs on: liquids, what is washed, what drives the pumps. */
const chemistry = shared(({ rig }: Things): readonly unknown[] => [
  ...air(rig),
  rig.brief.washes,
  rig.brief.daysPerWeek,
  rig.site,
  ...supplies(rig),
  ...rig.compressors,
  ...rig.receivers,
  ...rig.liquids,
  ...rig.mixes,
  // A tank that is filled as it is drawn on does not fall.
  ...rig.lines.map((l) => (l.role === 'fill' && l.to.at === 'tank' && !l.closed ? l.to.id : undefined)),
]);

/** What the blends and what is used of them hang on, with the names of tanks and liquids that the answers carry. */
export const chemicals = shared((of: Reading): readonly unknown[] => {
  const { rig, bare } = of;
  const tanks = chemicalTanks(rig);
  // What is under a tank of chemicals has to hold it to its brim.
  const brims = tanks.filter((t) => t.liquid === 'chemical');
  return [chemistry(of), ...bare(rig.softPumps), ...bare(rig.sprayers), ...drawnOn(of, tanks), ...brims, ...rig.lines.filter((l) => l.role === 'chemical')];
});

/** What the blend of one mix hangs on: its own lines, those of its pump, and what they join. */
export function blendOf(of: Things, mix: Mix): readonly unknown[] {
  const { rig, bare } = of;
  const lines = rig.lines.filter((l) => l.role === 'chemical');
  const pump = lines.find((l) => l.from.at === 'mix' && l.from.id === mix.id && l.to.at === 'soft-pump')?.to.id;
  const own = lines.filter((l) => [l.from, l.to].some((e) => (e.at === 'mix' && e.id === mix.id) || (e.at === 'soft-pump' && e.id === pump)));
  const joins = (at: End['at'], id: string): boolean => own.some((l) => (l.from.at === at && l.from.id === id) || (l.to.at === at && l.to.id === id));
  return [
    chemistry(of),
    ...bare(rig.softPumps.filter((p) => p.id === pump)),
    ...bare(rig.sprayers.filter((x) => joins('sprayer', x.id))),
    ...drawnOn(
      of,
      rig.tanks.filter((t) => joins('tank', t.id)),
    ),
    ...own,
  ];
}
