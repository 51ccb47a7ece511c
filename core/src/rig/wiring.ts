import { type End, type EndThing, LINE_ROLES, type LineRole, type Rig, THING_LISTS, THINGS } from './schema.js';
import { deckProblems } from './deck-wiring.js';
import { energyProblems } from './energy-wiring.js';
import type { Problem } from './read.js';
import { entriesOf, type Lists, named, nameIn } from './refers.js';
import type { Reference, ThingKind } from './thing/kind.js';

const END_THINGS = (Object.keys(THINGS) as (keyof typeof THINGS)[]).filter((k): k is EndThing => 'starts' in THINGS[k]);

/** Kinds of thing that a line of a role may start or end at, from what each kind says of itself. */
const joins = (role: LineRole, side: 'starts' | 'ends'): readonly End['at'][] => [
  ...END_THINGS.filter((k) => (THINGS[k][side] as readonly LineRole[]).includes(role)),
  ...(role === 'dump' && side === 'ends' ? (['open'] as const) : []),
];
const ENDS = Object.fromEntries(LINE_ROLES.map((role) => [role, { from: joins(role, 'starts'), to: joins(role, 'ends') }])) as Readonly<
  Record<LineRole, { readonly from: readonly End['at'][]; readonly to: readonly End['at'][] }>
>;

const problem = (code: string, path: string, bound: string, message: string): Problem => ({ code, path, bound, message });

/**
 * What is asked about below of some lists' entries and of the brief, and of fields about which nothing is: an edit elsewhere
 * in them wires nothing anew. Of ends, what they join; of lists in an entry, the ids.
 */
export const ASKED: Readonly<Record<string, readonly string[]>> = {
  name: [],
  customer: [],
  assumptions: [],
  brief: ['day'],
  outlets: ['id'],
  spigots: ['id'],
  sprayers: ['id'],
  tanks: ['id', 'holds'],
  machines: ['id', 'drive'],
  lines: ['id', 'role', 'from', 'to', 'parts', 'taps'],
};

/** Entries of a list that name what is not there, or what another one names already. */
function strayNames(rig: Lists, list: string, reference: Reference): Problem[] {
  const entries = entriesOf(rig, list);
  if (!entries.length) return [];
  const there = named(rig, reference);
  const taken = new Set<string>();
  return entries.flatMap((x, i) => {
    const id = nameIn(x, reference);
    if (id === undefined) return [];
    const path = `${list}.${i}.${reference.field}`;
    const { single } = reference;
    const own = (x['name'] as string | undefined) ?? x.id;
    const out = there.has(id) ? [] : [problem('nowhere', path, reference.bound, reference.says(own, id))];
    if (single && taken.has(id)) out.push(problem('twice', path, single.bound, single.says(id)));
    taken.add(id);
    return out;
  });
}

/** Things that no assessment could make sense of: ids used twice, lines to things that are not there. */
export function wiringProblems(rig: Rig): Problem[] {
  const out: Problem[] = [];
  const seen = new Map<string, string>();
  for (const list of THING_LISTS)
    rig[list].forEach((thing, i) => {
      const path = `${list}.${i}.id`;
      const before = seen.get(thing.id);
      if (before) out.push(problem('twice', path, 'unique', `The id "${thing.id}" is used twice: here and at ${before}.`));
      else seen.set(thing.id, path);
    });

  for (const kind of Object.values(THINGS) as readonly ThingKind[]) for (const reference of kind.refers) out.push(...strayNames(rig, kind.list, reference));

  rig.reels.forEach((reel, i) => {
    if (!(reel.core < reel.flange))
      out.push(problem('above', `reels.${i}.core`, '< flange', `The core of reel "${reel.name}" must be smaller than its flange.`));
  });
  rig.mixes.forEach((m, i) => {
    if ((m.way === 'downstream' || m.way === 'nozzle') && !m.injector)
      out.push(problem('missing', `mixes.${i}.injector`, 'an injector', `Mix "${m.name}" is drawn by an injector but has none.`));
  });

  const places = new Set<string>();
  rig.brief.day?.refills?.forEach((r, i) => {
    if (places.has(r.id)) out.push(problem('twice', `brief.day.refills.${i}.id`, 'unique', `The refill place id "${r.id}" is used twice.`));
    places.add(r.id);
    if (r.gives !== undefined && !rig.liquids.some((l) => l.id === r.gives))
      out.push(problem('nowhere', `brief.day.refills.${i}.gives`, 'a liquid', `Refill place "${r.name}" gives a liquid "${r.gives}" that is not on the list.`));
  });
  rig.brief.day?.jobs.forEach((job, j) => {
    const ids = new Set<string>();
    job.phases.forEach((p, k) => {
      if (ids.has(p.id)) out.push(problem('twice', `brief.day.jobs.${j}.phases.${k}.id`, 'unique', `The phase id "${p.id}" is used twice in "${job.name}".`));
      ids.add(p.id);
      if (p.place !== undefined && !places.has(p.place))
        out.push(
          problem(
            'nowhere',
            `brief.day.jobs.${j}.phases.${k}.place`,
            'a refill place',
            `"${job.name}" refills at a place "${p.place}" that is not on the list.`,
          ),
        );
    });
  });
  const spigot = rig.brief.day?.spigot;
  if (spigot && !(spigot.poor <= spigot.usual && spigot.usual <= spigot.good))
    out.push(problem('order', 'brief.day.spigot.usual', 'poor ≤ usual ≤ good', 'The usual ‹spigot› lies between the poorest and the best.'));

  const distance = rig.brief.day?.distance;
  if (distance && !(distance.near <= distance.usual && distance.usual <= distance.far))
    out.push(problem('order', 'brief.day.distance.usual', 'near ≤ usual ≤ far', 'The usual distance lies between the nearest and the farthest.'));
  const height = rig.brief.day?.height;
  if (height && !(height.low <= height.usual && height.usual <= height.high))
    out.push(problem('order', 'brief.day.height.usual', 'low ≤ usual ≤ high', 'The usual height lies between the lowest and the highest.'));

  out.push(...deckProblems(rig), ...energyProblems(rig));

  rig.lines.forEach((line, i) => {
    const parts = new Set<string>();
    line.parts.forEach((part, p) => {
      if (parts.has(part.id)) out.push(problem('twice', `lines.${i}.parts.${p}.id`, 'unique', `The part id "${part.id}" is used twice in line "${line.id}".`));
      parts.add(part.id);
    });
    const taps = line.taps ?? [];
    if (taps.length && !(line.role === 'fill' && line.from.at === 'spigot' && line.to.at === 'tank'))
      out.push(
        problem('end', `lines.${i}.taps`, '‹spigot› to tank', `A hand hose goes on a fill line from ‹a spigot› to a tank; "${line.name ?? line.id}" is none.`),
      );
    taps.forEach((t, k) => {
      if (taps.findIndex((x) => x.id === t.id) < k)
        out.push(problem('twice', `lines.${i}.taps.${k}.id`, 'unique', `The hand hose id "${t.id}" is used twice in line "${line.id}".`));
    });
    // A machine's bypass may lead back to its own inlet; nothing else feeds itself.
    if (line.from.id !== undefined && line.from.at === line.to.at && line.from.id === line.to.id && line.from.at !== 'machine')
      out.push(problem('itself', `lines.${i}.to.id`, `another ${line.to.at}`, `Line "${line.name ?? line.id}" leads from "${line.to.id}" back to itself.`));
    for (const side of ['from', 'to'] as const) {
      const end = line[side];
      const path = `lines.${i}.${side}`;
      if (!ENDS[line.role][side].includes(end.at)) {
        out.push(
          problem(
            'end',
            `${path}.at`,
            ENDS[line.role][side].join(', '),
            `A ${line.role} line cannot ${side === 'from' ? 'start at' : 'end at'} ${article(end.at)}.`,
          ),
        );
        continue;
      }
      if (end.at === 'open') continue;
      if (!end.id)
        out.push(problem('missing', `${path}.id`, 'an id', `Line "${line.id}" does not say which ${end.at} it ${side === 'from' ? 'starts at' : 'ends at'}.`));
      else if (!(rig[THINGS[end.at].list] as readonly { readonly id: string }[]).some((x) => x.id === end.id))
        out.push(problem('nowhere', `${path}.id`, `a ${end.at}`, `Line "${line.name ?? line.id}" leads nowhere: there is no ${end.at} called "${end.id}".`));
    }
  });
  return out;
}

const article = (at: string): string => (at === 'open' ? 'the open air' : /^[aeiou]/.test(at) ? `an ${at}` : `a ${at}`);
