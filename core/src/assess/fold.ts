import type { Rig } from '../rig/schema.js';
import { SUBJECTS } from '../subject/index.js';
import type { Caution, Finding } from '../subject/finding.js';
import { sameList } from '../same-list.js';
import type { Subject } from '../subject/subject.js';
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

/** What is taken up of an assessment before. */
export interface Again {
  /** What of the rig a subject's answers hang on. */
  readonly reads: (s: Subject) => readonly unknown[];
  /** The same while nothing has got another name. */
  readonly names: object;
  readonly before: { readonly memory: Memory; readonly tellings: Tellings } | undefined;
}

/**
 * Every subject's answers, in turn, one a step. Where nothing of what a subject reads has changed, nor the answers of those it
 * needs, its answers stand.
 * @param rests whether assumptions are asked for
 */
export function* fold(ground: RigGround, rests: boolean, again?: Again): Generator<void, Map<string, Kept>> {
  const memory = new Map<string, Kept>();
  for (const s of ORDER) {
    const given = (s.needs ?? []).map((name) => memory.get(name)!.answers);
    const reads = again ? again.reads(s) : NONE;
    const old = again?.before?.memory.get(s.name);
    if (old && sameList(old.reads, reads) && sameList(old.given, given)) {
      memory.set(s.name, old);
      continue;
    }
    yield;
    const answers = s.assess(ground, together(given));
    memory.set(s.name, { reads, given, answers, unsettled: ground.newlyUnsettled(), assumptions: rests ? restsOn(ground.rig, s, answers) : NONE });
  }
  return memory;
}

/** What a subject tells, and of what. */
interface Telling {
  readonly of: Kept;
  readonly names: object | undefined;
  /** Cases that would not settle. */
  readonly unsettled: string;
  readonly findings: readonly Finding[];
}
export type Tellings = ReadonlyMap<string, Telling>;

/** What is wrong, subject by subject, in the order of the register, one a step; as it was told before where answers and names stand. */
export function* tellingsOf(ground: RigGround, memory: Memory, again?: Again): Generator<void, Map<string, Telling>> {
  const out = new Map<string, Telling>();
  const unsettled = ground.unsettled.join();
  for (const s of ALL) {
    if (!s.findings) continue;
    const of = memory.get(s.name)!;
    const old = again?.before?.tellings.get(s.name);
    if (old && old.of === of && old.names === again?.names && old.unsettled === unsettled) out.set(s.name, old);
    else {
      yield;
      out.set(s.name, { of, names: again?.names, unsettled, findings: s.findings(ground, together([...of.given, of.answers])) });
    }
  }
  return out;
}

/** Standing warnings, subject by subject. */
export const cautionsOf = (rig: Rig): Caution[] => ALL.flatMap((s) => s.cautions?.(rig) ?? []);

/** Answers that are groups of lists, not results of their own. */
const GROUPS: ReadonlySet<string> = new Set(['chemical', 'fuel', 'air']);

/** Assumptions that a subject's answers rest on. */
function restsOn(rig: Rig, s: Subject, answers: object): readonly string[] {
  const out = new Set<string>(s.rests?.(rig, answers) ?? []);
  const of = (node: object): void => {
    for (const key in node) {
      const value = (node as Record<string, unknown>)[key];
      if (typeof value !== 'object' || value === null) continue;
      if (GROUPS.has(key)) of(value);
      else for (const result of Array.isArray(value) ? (value as unknown[]) : [value]) if (typeof result === 'object' && result) behind(result, true, out);
    }
  };
  of(answers);
  return [...out];
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
