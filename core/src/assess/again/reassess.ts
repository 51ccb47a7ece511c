import { AnswerBook } from '../../hydraulics/network/index.js';
import { type Rig, THINGS } from '../../rig/schema.js';
import { shareTree } from '../../rig/share.js';
import type { Cases } from '../../solve/cases.js';
import { answered, gravest, judged } from '../assess.js';
import type { Assessment, Judged } from '../../subject/assessment.js';
import type { Again, Memory, Tellings } from '../fold.js';
import { RigGround } from '../ground.js';
import { Alike, onlyRenamed, sameWater } from './alike.js';
import { type Eyes, type Lists, Reading } from './reading.js';

/** A rig assessed, with what a later assessment may take up of it. */
export interface Assessed {
  readonly rig: Rig;
  readonly assessment: Assessment;
  readonly memory: Memory;
  readonly tellings: Tellings;
  readonly lists: Lists;
  /** The same while nothing has got another name. */
  readonly names: object;
  /** Things without their names. */
  readonly bare: Alike;
  /** Tanks as their water sees them. */
  readonly wet: Alike;
  readonly book: AnswerBook;
  readonly cases: Cases;
}

/**
 * As {@link assess}; the answers of a rig assessed before are taken up where nothing that they hang on has changed. They
 * agree with those of a fresh assessment to 1e-6; a flow that is searched for, to 1e-3.
 * @param before of a like rig, commonly the same one an edit earlier; it stays as it is and may be taken up many times
 */
export function reassess(given: Rig, before?: Assessed): Assessed {
  const { ground, again, lists, ...kept } = groundOn(given, before);
  const { assessment, memory, tellings } = judged(ground, again);
  return { ...kept, assessment, memory, tellings, lists, cases: ground.cases };
}

/**
 * As {@link reassess}, of a change that is only tried: what no change is judged by is left out, and nothing is kept of it.
 * A subject a step, so that a worker may look up between them.
 */
export function* assessTry(given: Rig, before: Assessed): Generator<void, { readonly rig: Rig; readonly assessment: Judged }> {
  const { rig, ground, again } = groundOn(given, before);
  const { answers, findings } = yield* answered(ground, false, again);
  return { rig, assessment: Object.assign({}, answers, { verdict: gravest(findings), findings }) };
}

/** A rig's ground over that of one assessed before, and what may be taken up. */
function groundOn(
  given: Rig,
  before: Assessed | undefined,
): Pick<Assessed, 'rig' | 'lists' | 'names' | 'bare' | 'wet' | 'book'> & { readonly ground: RigGround; readonly again: Again } {
  const rig = before ? shareTree(before.rig, given) : given;
  const book = before?.book ?? new AnswerBook();
  const bare = before?.bare ?? new Alike(onlyRenamed);
  const wet = before?.wet ?? new Alike(sameWater);
  if (before) {
    for (const { list } of Object.values(THINGS)) bare.learn(before.rig[list], rig[list]);
    wet.learn(before.rig.tanks, rig.tanks);
  }
  const names = before && sameNames(before.rig, rig) ? before.names : {};
  const reading = new Reading(rig, () => ground.cases, before?.lists, eyesOn(rig, bare, wet));
  const sameCases = before && before.lists.get('all water') === reading.list('all water');
  const ground: RigGround = new RigGround(rig, book, sameCases ? before.cases : undefined);
  const again: Again = { reads: (s) => reading.all(s.reads), names, before };
  return { rig, ground, again, lists: reading.lists, names, bare, wet, book };
}

/** What crosses a tie is tabulated to the brim. */
function eyesOn(rig: Rig, bare: Alike, wet: Alike): Eyes {
  const tied = new Set(rig.lines.flatMap((l) => (l.role === 'tie' ? [l.from.id, l.to.id] : [])));
  return { bare: (things) => things.map((t) => bare.of(t)), wet: (tanks) => tanks.map((t) => (tied.has(t.id) ? bare : wet).of(t)) };
}

/** Whether the things of two rigs are the same ones, by the same names. */
const sameNames = (a: Rig, b: Rig): boolean =>
  Object.values(THINGS).every(({ list }) => {
    const [before, after]: readonly (readonly { readonly id: string; readonly name?: string }[])[] = [a[list], b[list]];
    return before === after || (before.length === after.length && before.every((x, i) => x.id === after[i].id && x.name === after[i].name));
  });
