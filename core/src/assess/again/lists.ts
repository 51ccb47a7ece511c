import { assumptionValues } from '../../assumption/register.js';
import type { Line, LineRole, Rig, Tank } from '../../rig/schema.js';
import { shapeHeight } from '../../rig/tank-shape.js';
import { suppliedOf } from '../../solve/blend-network.js';
import { feedPath } from '../../solve/inlet.js';
import { returnsToItself } from '../../solve/solved.js';
import { mixMadeIn } from '../../solve/stock.js';
import type { ListName } from '../../subject/subject.js';
import type { Reading } from './reading.js';

const linesOf = (rig: Rig, ...roles: readonly LineRole[]): readonly Line[] => rig.lines.filter((l) => roles.includes(l.role));

/** Where chemicals are drawn from a tank bears on how deep it may be drawn; what is in their lines does not. */
const chemicalEnds = (rig: Rig): readonly unknown[] => linesOf(rig, 'chemical').flatMap((l) => [l.from, l.to, l.closed]);

/** A level that was solved, to the nanometre: what the solver leaves behind that is no change. */
const level = (m: number): number => Math.round(m * 1e9);
/** A flow that was solved, m³/s, likewise. */
const flowed = (m3s: number): number => Math.round(m3s * 1e12);

/** Whether what is before the pumps hangs on what is behind them: by a way back to an inlet, or by a header that is joined to both sides. */
const mingles = (rig: Rig): boolean => {
  const headers = (...roles: readonly LineRole[]): Set<string | undefined> =>
    new Set(linesOf(rig, ...roles).flatMap((l) => [l.from, l.to].flatMap((e) => (e.at === 'manifold' ? [e.id] : []))));
  const behind = headers('pressure');
  return returnsToItself(rig) || [...headers('fill', 'tie', 'feed', 'boost', 'bypass')].some((id) => behind.has(id));
};

/** Tanks that hold chemicals, or are drawn on with them. */
function chemicalTanks(rig: Rig): readonly Tank[] {
  const drawn = new Set(linesOf(rig, 'chemical').flatMap((l) => [l.from, l.to].flatMap((e) => (e.at === 'tank' ? [e.id] : []))));
  return rig.tanks.filter((t) => t.liquid === 'chemical' || t.holds !== undefined || drawn.has(t.id));
}

/** Volts of the electric pumps and the ohms of their cables as built: by value, whatever those hang on (batteries, wires, where things stand). */
function supplies(rig: Rig): readonly unknown[] {
  const electric = rig.softPumps.filter((p) => p.kind === 'electric');
  if (!electric.length) return [];
  const values = assumptionValues(rig.assumptions);
  return electric.flatMap((p) => {
    const { volts, ohms, ohmsPerA2 } = suppliedOf(rig, p, values);
    return [p.id, volts, ohms, ohmsPerA2];
  });
}

/**
 * What answers hang on, by name: numbers and texts, and branches by identity, for a document read an edit further keeps every branch
 * that has not changed. Each is made once for a rig, and is the very list of the rig before where it holds the same.
 */
export const LISTS: Readonly<Record<ListName, (of: Reading) => readonly unknown[]>> = {
  /** Air and water, and what is taken for granted. */
  air: ({ rig: { assumptions, brief } }) => [assumptions, brief.water, brief.altitude],
  job: ({ rig: { brief } }) => [brief.job, brief.day, brief.triggerShare],
  coldest: ({ rig }) => [rig.brief.coldest],
  'tap solids': ({ rig }) => [rig.brief.tapSolids],

  /** Every thing from the spigots to the pumps. */
  'up to the pumps': (of) => [
    of.list('air'),
    ...of.wet(of.rig.tanks),
    ...of.bare([...of.rig.spigots, ...of.rig.manifolds, ...of.rig.boosters, ...of.rig.machines]),
  ],
  /** What the flow and head before the pumps, and the levels of the tanks, hang on. */
  'before the pumps': (of) =>
    mingles(of.rig)
      ? [of.list('all water')]
      : [
          of.list('up to the pumps'),
          ...linesOf(of.rig, 'fill', 'tie', 'feed', 'boost'),
          ...chemicalEnds(of.rig),
          // What is behind a pump slows an engine that is too small for it.
          ...of.rig.machines.map((m) => of.cases.slowed.get(m.id)?.pace),
        ],
  /** What flow and pressure hang on, before and behind the pumps. */
  'all water': (of) => [
    of.list('up to the pumps'),
    ...of.bare(of.rig.outlets),
    ...linesOf(of.rig, 'fill', 'tie', 'feed', 'boost', 'pressure', 'bypass'),
    ...chemicalEnds(of.rig),
  ],
  /** What pressures and what comes back hang on: of what is before the pumps only what water they get and what presses on the ends of the lines back. */
  'behind the pumps': (of) => {
    const { rig } = of;
    if (mingles(rig)) return [of.list('all water')];
    const { net, asDrawn } = of.cases;
    return [
      of.list('air'),
      // What a starved pump gets; of one that is fed, nothing before it bears on what is behind.
      ...rig.machines.flatMap((m) => [net.cutOff.has(m.id), flowed(asDrawn.machineFlow(m))]),
      ...rig.lines.flatMap((l) => (l.role === 'bypass' && l.to.at === 'tank' ? [l.id, level(asDrawn.headOf('lineEnd', l.id))] : [])),
      ...of.bare([...rig.manifolds, ...rig.machines, ...rig.outlets]),
      ...linesOf(rig, 'pressure', 'bypass'),
    ];
  },
  /** The same with the tanks that it comes back to, and how deep they may be drawn. */
  'behind the pumps, and tanks': (of) => [of.list('behind the pumps'), ...of.wet(of.rig.tanks), ...[...of.cases.heel.values()].map(level)],
  /** The ways that water takes to the pumps. */
  'feed paths': ({ rig, cases }) => rig.machines.flatMap((m) => [m.id, ...feedPath(cases.asDrawn, m).map((l) => l.id)]),

  /** What every blend hangs on: liquids, what is washed, what drives the pumps. */
  chemistry: (of) => {
    const { rig } = of;
    return [
      of.list('air'),
      rig.brief.washes,
      rig.brief.daysPerWeek,
      rig.site,
      ...supplies(rig),
      ...rig.compressors,
      ...rig.receivers,
      ...rig.liquids,
      ...rig.mixes,
      // A tank that is filled as it is drawn on does not fall.
      ...linesOf(rig, 'fill').map((l) => (l.to.at === 'tank' && !l.closed ? l.to.id : undefined)),
    ];
  },
  /** What blends hang on, with the names of tanks and liquids that the answers carry. What is mixed in a tank is lighter than its stock. */
  blends: (of) => {
    const { rig, bare, wet } = of;
    const tanks = chemicalTanks(rig);
    return [
      of.list('chemistry'),
      ...bare(rig.softPumps),
      ...bare(rig.sprayers),
      ...tanks.flatMap((t) => [t.name, mixMadeIn(rig, t)?.id]),
      ...wet(tanks),
      ...linesOf(rig, 'chemical'),
    ];
  },
  /** The same, and what is under a tank of chemicals has to hold it to its brim. */
  chemicals: (of) => [of.list('blends'), ...of.rig.tanks.filter((t) => t.liquid === 'chemical')],
  /** How deep each tank of chemicals may be drawn. */
  'chemical levels': ({ rig, cases }) => rig.tanks.flatMap((t) => (t.liquid === 'chemical' ? [level(cases.heel.get(t.id)!)] : [])),
  /** An injector works with the washer's water. */
  'water of injectors': (of) => (of.rig.mixes.some((m) => m.injector) ? [of.list('behind the pumps, and tanks')] : []),
  /** What stands in the tanks: their liquids, and what is mixed in them. */
  contents: ({ rig, bare }) => [...bare(rig.liquids), ...bare(rig.mixes), ...rig.tanks.map((t) => t.holds), ...chemicalEnds(rig)],
  /** How high a tank's walls stand, and what leaves it where, whatever it carries. */
  'walls and ways out': ({ rig }) => [...rig.tanks.map((t) => shapeHeight(t.shape)), ...rig.lines.map((l) => l.from)],
  'feed lines': ({ rig }) => linesOf(rig, 'feed', 'boost'),
  'dump lines': ({ rig }) => linesOf(rig, 'dump'),
  /** Solved flows bear on a running booster alone. */
  'water of boosters': (of) => (of.rig.boosters.some((b) => b.running) ? [of.list('all water')] : []),
  /** Lines that a motor winds up. */
  'wound lines': ({ rig }) => rig.lines.filter((l) => rig.reels.some((r) => r.motor !== undefined && r.line === l.id)),
  /** Which guns may be held. */
  'guns open': ({ rig }) => rig.outlets.flatMap((o) => [o.id, o.name, o.open]),

  /** What stands on the platform and what is laid between: nothing of it without a platform. */
  deck: ({ rig, bare }) => [
    rig.assumptions,
    rig.platform,
    ...(rig.platform
      ? [
          ...rig.placements,
          ...bare([
            ...rig.tanks,
            ...rig.gear,
            ...rig.machines,
            ...rig.softPumps,
            ...rig.boosters,
            ...rig.manifolds,
            ...rig.mixes,
            ...rig.reels,
            ...rig.liquids,
          ]),
          ...rig.lines,
          ...rig.fuelTanks,
          ...rig.batteries,
          ...rig.panels,
          ...rig.compressors,
          ...rig.receivers,
          ...rig.burners,
          ...rig.wires,
          ...rig.chargers,
          ...rig.fuelLines,
        ]
      : []),
  ],
  /** What guns and cleaners are sized by, and so weigh; fillings are told by the names of their tanks. */
  'weighed besides': ({ rig }) =>
    rig.platform
      ? [...rig.tanks.map((t) => t.name), ...rig.outlets.flatMap((o) => [o.kind, o.width, o.wantedPressure]), ...rig.sprayers.map((s) => s.nozzleBore)]
      : [],
  /** What a slope takes from tanks and feeds; how deep a tank may be drawn hangs on what is drawn from it. */
  slope: (of) => (of.rig.platform?.slope ? [of.list('deck'), of.list('before the pumps')] : []),
};
