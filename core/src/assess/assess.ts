import { finished } from '../steps.js';
import { ASSUMPTIONS } from '../assumption/register.js';
import type { Rig } from '../rig/schema.js';
import type { Finding } from '../subject/finding.js';
import { type Answers, FINDING_KINDS } from '../subject/index.js';
import { type Verdict, VERDICTS, worse } from '../subject/verdict.js';
import { type Message, message } from '../working/figure.js';
import type { Assessment, ChemicalResult } from '../subject/assessment.js';
import { type Again, cautionsOf, fold, type Kept, type Memory, type Tellings, tellingsOf, together } from './fold.js';
import { RigGround } from './ground.js';

/**
 * Everything a rig's figures say: a pure function of the rig (SI, as read by `readRig`).
 * Never throws for a rig that passed `readRig`; what cannot be solved becomes a finding.
 */
export const assess = (rig: Rig): Assessment => judged(new RigGround(rig)).assessment;

interface Answered {
  readonly memory: Memory;
  readonly kept: readonly Kept[];
  readonly answers: Answers;
  readonly tellings: Tellings;
  readonly findings: Finding[];
}

/** All answers, and what is told of them, the worst first. @param rests whether assumptions are asked for */
export function* answered(ground: RigGround, rests: boolean, again?: Again): Generator<void, Answered> {
  const memory = yield* fold(ground, rests, again);
  const kept = [...memory.values()];
  ground.unsettled = [...new Set(kept.flatMap((k) => k.unsettled))];
  const answers = together(kept.map((k) => k.answers)) as Answers;
  const tellings = yield* tellingsOf(ground, memory, again);
  return { memory, kept, answers, tellings, findings: worstFirst(tellings) };
}

/** A rig's assessment, with what a later one may take up. */
export function judged(ground: RigGround, again?: Again): { readonly assessment: Assessment; readonly memory: Memory; readonly tellings: Tellings } {
  const { rig } = ground;
  const { memory, kept, answers, tellings, findings } = finished(answered(ground, true, again));
  // What is only mentioned is no headline.
  const worst = findings.find((f) => f.verdict !== 'fed');
  const assessment: Assessment = Object.assign({}, answers, {
    verdict: gravest(findings),
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

/** Of findings, the worst first. */
export const gravest = (findings: readonly Finding[]): Verdict => (findings.length ? findings[0].verdict : 'fed');

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
