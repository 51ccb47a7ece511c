import { flatMap } from '../lists.js';
import { finished } from '../steps.js';
import { ASSUMPTIONS } from '../assumption/register.js';
import { AnswerBook } from '../hydraulics/network/index.js';
import { type Rig, THINGS } from '../rig/schema.js';
import { shareTree } from '../rig/share.js';
import type { Finding } from '../subject/finding.js';
import { allWater } from '../subject/reads.js';
import { SharedLists } from '../subject/shared-lists.js';
import type { Reading } from '../subject/subject.js';
import { feedParts } from '../solve/feed-parts.js';
import { gunParts } from '../solve/gun-parts.js';
import type { Cases } from '../solve/cases.js';
import { type Answers, FINDING_KINDS } from '../subject/index.js';
import { type Verdict, VERDICTS, worse } from '../subject/verdict.js';
import { type Message, message } from '../working/figure.js';
import type { Assessment, ChemicalResult, Judged } from './assessment.js';
import { Alike, onlyRenamed, sameWater } from './alike.js';
import { cautionsOf, fold, type Kept, type Memory, type Tellings, tellingsOf, together } from './fold.js';
import { RigGround, type Things } from './ground.js';

/**
 * Everything a rig's figures say: a pure function of the rig (SI, as read by `readRig`).
 * Never throws for a rig that passed `readRig`; what cannot be solved becomes a finding.
 */
export const assess = (rig: Rig): Assessment => judged(new RigGround(rig), {}).assessment;

/** A rig assessed, with what a later assessment may take up of it. */
export interface Assessed {
  readonly rig: Rig;
  readonly assessment: Assessment;
  readonly memory: Memory;
  readonly tellings: Tellings;
  readonly lists: SharedLists;
  /** The same while nothing has got another name. */
  readonly names: object;
  readonly things: Things;
  /** Things without their names. */
  readonly bare: Alike;
  /** Tanks as their water sees them. */
  readonly wet: Alike;
  readonly book: AnswerBook;
  /** Cases solved, and what of the rig they hang on. */
  readonly cases: Cases;
  readonly water: readonly unknown[];
}

/**
 * As {@link assess}; the answers of a rig assessed before are taken up where nothing that they hang on has changed. They
 * agree with those of a fresh assessment to 1e-6; a flow that is searched for, to 1e-3.
 * @param before of a like rig, commonly the same one an edit earlier; it stays as it is and may be taken up many times
 */
export function reassess(given: Rig, before?: Assessed): Assessed {
  const { rig, ground, lists, names, bare, wet, book, water } = groundOn(given, before);
  const { assessment, memory, tellings } = judged(ground, names, before);
  lists.settle();
  return { rig, assessment, memory, tellings, lists, names, things: ground.things, bare, wet, book, cases: ground.cases, water };
}

/**
 * As {@link reassess}, of a change that is only tried: what no change is judged by is left out, and nothing is kept of it.
 * A subject a step, so that a worker may look up between them.
 */
export function* assessTry(given: Rig, before: Assessed): Generator<void, { readonly rig: Rig; readonly assessment: Judged }> {
  const { rig, ground, names } = groundOn(given, before);
  const { answers, findings } = yield* answered(ground, names, before, false);
  return { rig, assessment: Object.assign({}, answers, { verdict: verdictOf(findings), findings }) };
}

/** A rig's ground over that of one assessed before. */
function groundOn(
  given: Rig,
  before: Assessed | undefined,
): Pick<Assessed, 'rig' | 'lists' | 'names' | 'bare' | 'wet' | 'book' | 'water'> & { readonly ground: RigGround } {
  const rig = before ? shareTree(before.rig, given) : given;
  const book = before?.book ?? new AnswerBook();
  const bare = before?.bare ?? new Alike(onlyRenamed);
  const wet = before?.wet ?? new Alike(sameWater);
  if (before) {
    for (const { list } of Object.values(THINGS)) bare.learn(before.rig[list], rig[list]);
    wet.learn(before.rig.tanks, rig.tanks);
  }
  const names = before && sameNames(before.rig, rig) ? before.names : {};
  const lists = new SharedLists(before?.lists);
  const [nameless, byWater] = [oneByOne(bare), wetBy(rig, bare, wet)];
  const water = allWater({ rig, lists, bare: nameless, wet: byWater });
  const ground = new RigGround(rig, book, before?.water === water ? before.cases : undefined, before?.things);
  ground.reading = new RigReading(rig, lists, nameless, byWater, ground);
  return { rig, ground, lists, names, bare, wet, book, water };
}

const oneByOne =
  (as: Alike): Reading['bare'] =>
  (things) =>
    things.map((t) => as.of(t));

/** What crosses a tie is tabulated to the brim. */
function wetBy(rig: Rig, bare: Alike, wet: Alike): Reading['wet'] {
  const tied = new Set(flatMap(rig.lines, (l) => (l.role === 'tie' ? [l.from.id, l.to.id] : [])));
  return (tanks) => tanks.map((t) => (tied.has(t.id) ? bare : wet).of(t));
}

/**
 * What the answers of a rig are said to hang on. A class: an object that is written down with getters of its own gets a shape
 * of its own each time, and the engine lets what those hold go only when it clears up everything.
 */
class RigReading implements Reading {
  private known: Reading['parts'] | undefined;
  private knownGuns: Reading['gunParts'] | undefined;

  constructor(
    readonly rig: Rig,
    readonly lists: SharedLists,
    readonly bare: Reading['bare'],
    readonly wet: Reading['wet'],
    readonly ground: RigGround,
  ) {}

  get parts(): Reading['parts'] {
    return (this.known ??= feedParts(this.rig));
  }
  get gunParts(): Reading['gunParts'] {
    return (this.knownGuns ??= gunParts(this.rig));
  }
}

/** Whether the things of two rigs are the same ones, by the same names. */
const sameNames = (a: Rig, b: Rig): boolean =>
  Object.values(THINGS).every(({ list }) => {
    const [before, after]: readonly (readonly { readonly id: string; readonly name?: string }[])[] = [a[list], b[list]];
    return before === after || (before.length === after.length && before.every((x, i) => x.id === after[i].id && x.name === after[i].name));
  });

interface Answered {
  readonly memory: Memory;
  readonly kept: readonly Kept[];
  readonly answers: Answers;
  readonly tellings: Tellings;
  readonly findings: Finding[];
}

/** All answers, and what is told of them, the worst first. @param rests whether assumptions are asked for */
function* answered(ground: RigGround, names: object, before: Assessed | undefined, rests: boolean): Generator<void, Answered> {
  const memory = yield* fold(ground, ground.reading, before?.memory, rests);
  const kept = [...memory.values()];
  ground.unsettled = [...new Set(flatMap(kept, (k) => k.unsettled))];
  const answers = together(kept.map((k) => k.answers)) as Answers;
  const tellings = yield* tellingsOf(ground, memory, names, before?.tellings);
  return { memory, kept, answers, tellings, findings: worstFirst(tellings) };
}

const verdictOf = (findings: readonly Finding[]): Verdict => (findings.length ? findings[0].verdict : 'fed');

function judged(ground: RigGround, names: object, before?: Assessed): Pick<Assessed, 'assessment' | 'memory' | 'tellings'> {
  const { rig } = ground;
  const { memory, kept, answers, tellings, findings } = finished(answered(ground, names, before, true));
  // What is only mentioned is no headline.
  const worst = findings.find((f) => f.verdict !== 'fed');
  const assessment: Assessment = Object.assign({}, answers, {
    verdict: verdictOf(findings),
    scale: worst ? FINDING_KINDS[worst.code].scale : 'feeding',
    headline: headline(rig, worst),
    findings,
    cautions: cautionsOf(rig),
    lineVerdict: lineVerdicts(rig, answers, answers.chemical),
    assumptionsUsed: used(kept),
    solves: ground.solves,
  });
  return { assessment, memory, tellings };
}

const WORST_FIRST = [...VERDICTS].reverse();

/** All that is told, the worst first, else in the order of the register. */
function worstFirst(tellings: Tellings): Finding[] {
  const out: Finding[] = [];
  for (const verdict of WORST_FIRST) for (const { findings } of tellings.values()) for (const f of findings) if (f.verdict === verdict) out.push(f);
  return out;
}

const IN_ORDER: readonly string[] = ASSUMPTIONS.map((a) => a.id).sort();
const PLACE_OF: ReadonlyMap<string, number> = new Map(IN_ORDER.map((id, i) => [id, i]));

/** Assumptions that answers rest on, by their names. */
function used(kept: readonly Kept[]): string[] {
  const asked = new Array<boolean>(IN_ORDER.length).fill(false);
  for (const k of kept) for (const id of k.assumptions) asked[PLACE_OF.get(id)!] = true;
  return IN_ORDER.filter((_, i) => asked[i]);
}

function headline(rig: Rig, worst: Finding | undefined): Message {
  if (worst) return worst.message;
  return rig.machines.length === 1 && !rig.softPumps.length
    ? message('{m} is fed, all through the job.', { m: rig.machines[0].name })
    : message('Every pump is fed, all through the job.');
}

/** Each line carries the verdict of what it serves. */
function lineVerdicts(rig: Rig, r: Answers, chemical: ChemicalResult): Record<string, Verdict> {
  const out: Record<string, Verdict> = {};
  for (const l of rig.lines) out[l.id] = 'fed';
  const mark = (id: string | undefined, v: Verdict): void => {
    if (id !== undefined && id in out) out[id] = worse(out[id], v);
  };
  for (const f of r.fills) mark(f.lineId, f.verdict);
  for (const f of r.feeds) mark(f.lineIds[f.lineIds.length - 1], f.verdict);
  for (const o of r.outlets) mark(o.lineIds[o.lineIds.length - 1], o.verdict);
  for (const b of r.bypasses) mark(rig.lines.find((l) => l.role === 'bypass' && l.from.id === b.machineId)?.id, b.verdict);
  for (const d of r.drains) mark(d.lineId, d.verdict);
  for (const p of chemical.softPumps) for (const id of p.lineIds) mark(id, p.verdict);
  for (const m of chemical.mixes) for (const s of m.streams) mark(s.lineId, m.verdict);
  return out;
}
