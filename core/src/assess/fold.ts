import { flatMap } from '../lists.js';
import type { Rig } from '../rig/schema.js';
import { SUBJECTS } from '../subject/index.js';
import type { Caution, Finding } from '../subject/finding.js';
import { sameList } from '../subject/same-list.js';
import type { Reading, Subject } from '../subject/subject.js';
import type { Figure } from '../working/figure.js';
import type { RigGround } from './ground.js';

/** What a subject answered, and what from. */
export interface Kept {
  readonly reads: readonly unknown[];
  /** Answers of the subjects it needs. */
  readonly given: readonly object[];
  readonly answers: object;
  /** Cases that would not settle, met first by it. */
  readonly unsettled: readonly string[];
  /** Assumptions that the answers rest on; none where nobody asked for them. */
  readonly assumptions: readonly string[];
}
export type Memory = ReadonlyMap<string, Kept>;

const NONE: readonly string[] = [];
const ALL: readonly Subject[] = SUBJECTS as unknown as readonly Subject[];

/** Subjects so that each comes after those it needs. Throws where two need each other: such a loop belongs into `solve`. */
export function inOrder(subjects: readonly Subject[]): readonly Subject[] {
  const byName = new Map(subjects.map((s) => [s.name, s]));
  const out: Subject[] = [];
  const on = new Set<string>();
  const visit = (s: Subject): void => {
    if (out.includes(s)) return;
    if (on.has(s.name)) throw new Error(`The subjects ${[...on].join(', ')} need each other.`);
    on.add(s.name);
    for (const name of s.needs ?? []) {
      const needed = byName.get(name);
      if (!needed) throw new Error(`"${s.name}" needs "${name}", which is no subject.`);
      visit(needed);
    }
    on.delete(s.name);
    out.push(s);
  };
  subjects.forEach(visit);
  return out;
}
const ORDER = inOrder(ALL);

/** Two subjects' answers as one: what both say of the chemical side stands side by side. */
export function together(parts: readonly object[]): object {
  if (parts.length === 1) return parts[0];
  const out = Object.assign({}, ...parts) as Record<string, unknown>;
  if ('chemical' in out) out['chemical'] = Object.assign({}, ...(parts as readonly Record<string, object>[]).map((p) => p['chemical']));
  return out;
}

/**
 * Every subject's answers, in turn, one a step. Where nothing of what a subject reads has changed since `before`, nor the answers of
 * those it needs, its answers stand.
 * @param reading left out, nothing is written down for a later fold
 * @param rests whether assumptions are asked for
 */
export function* fold(ground: RigGround, reading: Reading | undefined, before: Memory | undefined, rests: boolean): Generator<void, Map<string, Kept>> {
  const memory = new Map<string, Kept>();
  for (const s of ORDER) {
    const given = (s.needs ?? []).map((name) => memory.get(name)!.answers);
    const reads = reading ? s.reads(reading) : [];
    const old = before?.get(s.name);
    if (reading && old && sameList(old.reads, reads) && sameList(old.given, given)) {
      memory.set(s.name, old);
      continue;
    }
    yield;
    const answers = s.assess(ground, together(given));
    memory.set(s.name, {
      reads,
      given,
      answers,
      unsettled: ground.newlyUnsettled(),
      assumptions: rests ? restsOn(ground.rig, s, answers, reading !== undefined) : NONE,
    });
  }
  return memory;
}

/** What a subject tells, and of what. */
interface Telling {
  readonly of: Kept;
  readonly beside: readonly unknown[];
  readonly findings: readonly Finding[];
}
export type Tellings = ReadonlyMap<string, Telling>;

/**
 * What is wrong, subject by subject, in the order of the register, one a step; as it was told `before` where nothing that it hangs on
 * has changed.
 * @param names the same object while nothing has got another name
 */
export function* tellingsOf(ground: RigGround, memory: Memory, names: object, before: Tellings | undefined): Generator<void, Map<string, Telling>> {
  const out = new Map<string, Telling>();
  const cases = ground.unsettled.join();
  for (const s of ALL) {
    if (!s.findings) continue;
    const of = memory.get(s.name)!;
    const beside = ground.reading ? [names, cases, ...(s.tells?.(ground.reading) ?? [])] : [];
    const old = before?.get(s.name);
    if (old && old.of === of && sameList(old.beside, beside)) out.set(s.name, old);
    else {
      yield;
      out.set(s.name, { of, beside, findings: s.findings(ground, together([...of.given, of.answers])) });
    }
  }
  return out;
}

/** Standing warnings, subject by subject. */
export const cautionsOf = (rig: Rig): Caution[] => flatMap(ALL, (s) => s.cautions?.(rig) ?? []);

/** Answers that are groups of lists, not results of their own. */
const GROUPS: ReadonlySet<string> = new Set(['chemical', 'fuel', 'air']);

/** Assumptions that a subject's answers rest on. @param kept whether its results may be met again */
function restsOn(rig: Rig, s: Subject, answers: object, kept: boolean): readonly string[] {
  const out = new Set<string>(s.rests?.(rig, answers) ?? []);
  const of = (node: object): void => {
    for (const key in node) {
      const value = (node as Record<string, unknown>)[key];
      if (typeof value !== 'object' || value === null) continue;
      if (GROUPS.has(key)) of(value);
      else if (!Array.isArray(value)) addNamed(value, kept, out);
      else for (let i = 0; i < value.length; i++) addNamed(value[i] as object, kept, out);
    }
  };
  of(answers);
  return [...out];
}

/** Of results, which stand from edit to edit where nothing that they hang on has changed. */
const named = new WeakMap<object, readonly string[]>();
function addNamed(result: object, kept: boolean, out: Set<string>): void {
  if (typeof result !== 'object' || result === null) return;
  if (!kept) return behind(result, true, out);
  let known = named.get(result);
  if (!known) {
    const own = new Set<string>();
    behind(result, true, own);
    named.set(result, (known = [...own]));
  }
  for (let i = 0; i < known.length; i++) out.add(known[i]);
}

/** Those that figures name themselves: figures are fields of a result, or of an object in one; lists hold none. */
function behind(result: object, deep: boolean, out: Set<string>): void {
  for (const key in result) {
    const value = (result as Record<string, unknown>)[key];
    if (typeof value !== 'object' || value === null || Array.isArray(value)) continue;
    const working = (value as { working?: Figure['working'] }).working;
    if (working) for (let i = 0; i < working.assumptions.length; i++) out.add(working.assumptions[i]);
    else if (deep) behind(value, false, out);
  }
}
