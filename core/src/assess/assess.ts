import { FINDING_KINDS } from '../subject/index.js';
import { assumptionValues } from '../assumption/register.js';
import type { Rig } from '../rig/schema.js';
import { type Message, message } from '../working/figure.js';
import { assumptionsUsed } from './assumptions-used.js';
import { assessTank, tankFindings } from '../subject/buffer/buffer.js';
import { assessBypass, bypassFindings } from '../subject/bypass/bypass.js';
import { Cases } from '../solve/cases.js';
import { cautionsOf } from './cautions.js';
import { assessChemical } from './assess-chemical.js';
import { chemicalFindings } from './chemical-findings.js';
import { Stocks } from '../solve/stock.js';
import { assessDrain, drainFindings } from '../subject/drain/drain.js';
import { assessFeed } from '../subject/feed/feed.js';
import { feedFindings } from '../subject/feed/feed-findings.js';
import { assessFill, fillFindings } from '../subject/fill/fill.js';
import { assessMachine, assessOutlet, pressureCases, pressureFindings } from '../subject/pressure/pressure.js';
import { assessReel, assessRun, reelFindings, runFindings } from '../subject/reel/reels.js';
import type { ChemicalResult } from './chemical-result.js';
import { type Assessment } from './assessment.js';
import { type Finding } from '../subject/finding.js';
import { type Verdict, VERDICTS, worse, worstOf } from '../subject/verdict.js';

const defined = <T>(x: T | undefined): x is T => x !== undefined;

/**
 * Everything a rig's figures say: a pure function of the rig (SI, as read by `readRig`).
 * Never throws for a rig that passed `readRig`; what cannot be solved becomes a finding.
 */
export function assess(rig: Rig): Assessment {
  const values = assumptionValues(rig.assumptions);
  const cases = new Cases(rig, values);

  const stocks = new Stocks(rig, values);
  const chemical = assessChemical(cases, stocks);
  const fills = rig.lines.map((l) => assessFill(cases, l)).filter(defined);
  const tanks = rig.tanks.map((t) => assessTank(cases, t, fills, chemical.drawnFrom));
  const feeds = rig.machines.map((m) => assessFeed(cases, m));
  const list = pressureCases(cases);
  const machines = rig.machines.map((m) => assessMachine(cases, m, list)).filter(defined);
  const outlets = rig.outlets.map((o) => assessOutlet(cases, o)).filter(defined);
  const bypasses = rig.machines.map((m) => assessBypass(cases, m, list));
  const drains = rig.tanks.map((t) => assessDrain(cases, t));
  const chemicalFlow = flowsOf(chemical);
  const reels = rig.reels.map((r) => assessReel(cases, r, chemicalFlow));
  const runs = outlets
    .map((o) =>
      assessRun(
        cases,
        rig.outlets.find((x) => x.id === o.outletId)!,
        o,
      ),
    )
    .filter(defined);

  const findings: Finding[] = [
    ...fills.flatMap((f) => fillFindings(cases, f)),
    ...rig.tanks.flatMap((t, i) => tankFindings(cases, t, tanks[i])),
    ...rig.machines.flatMap((m, i) => feedFindings(cases, m, feeds[i])),
    ...pressureFindings(cases, list, machines, outlets),
    ...rig.machines.flatMap((m, i) => bypassFindings(cases, m, bypasses[i])),
    ...rig.tanks.flatMap((t, i) => drainFindings(cases, t, drains[i])),
    ...reelFindings(cases, reels),
    ...runFindings(cases, runs),
    ...chemicalFindings(cases, stocks, chemical),
    ...emptyFindings(rig),
  ];
  if (cases.unsettled.length)
    findings.push({
      code: 'unsolved',
      verdict: 'starved',
      station: 'feed',
      subject: { kind: 'rig', id: 'rig' },
      message: message('The flows of this rig do not settle ({n} cases, such as {which}). Look for lines that fight each other.', {
        n: String(cases.unsettled.length),
        which: cases.unsettled[0],
      }),
    });
  findings.sort((a, b) => VERDICTS.indexOf(b.verdict) - VERDICTS.indexOf(a.verdict));

  const lineFlow = Object.fromEntries(rig.lines.map((l) => [l.id, chemicalFlow[l.id] ?? cases.asDrawn.flowOf(l.id)]));
  const fed = feeds.filter(defined);
  const result = { fills, tanks, feeds: fed, machines, outlets, bypasses, drains, reels, runs };
  return {
    verdict: worstOf(findings.map((f) => f.verdict)),
    scale: findings.length ? FINDING_KINDS[findings[0].code].scale : 'feeding',
    headline: headline(rig, findings),
    findings,
    cautions: cautionsOf(rig),
    ...result,
    chemical,
    cases: list,
    lineFlow,
    lineVerdict: lineVerdicts(rig, result, chemical),
    assumptionsUsed: assumptionsUsed(rig, result, chemical),
    solves: cases.solves,
  };
}

/** Flow in each line of the chemical side, tanks as the day starts. */
function flowsOf(chemical: ChemicalResult): Record<string, number> {
  const out: Record<string, number> = {};
  for (const p of chemical.softPumps) for (const id of p.lineIds) out[id] = p.flow.value;
  for (const m of chemical.mixes) for (const s of m.streams) if (s.kind !== 'water' || m.way === 'proportioner') out[s.lineId] = s.flowM3s;
  return out;
}

function emptyFindings(rig: Rig): Finding[] {
  if (rig.machines.length || rig.softPumps.length) return [];
  return [
    {
      code: 'no-machine',
      verdict: 'tight',
      station: 'machines',
      subject: { kind: 'rig', id: 'rig' },
      message: message('No machine yet: nothing asks for water.'),
    },
  ];
}

function headline(rig: Rig, findings: readonly Finding[]): Message {
  if (findings.length) return findings[0].message;
  return rig.machines.length === 1 && !rig.softPumps.length
    ? message('{m} is fed, all through the job.', { m: rig.machines[0].name })
    : message('Every pump is fed, all through the job.');
}

/** Each line carries the verdict of what it serves. */
function lineVerdicts(
  rig: Rig,
  r: Pick<Assessment, 'fills' | 'tanks' | 'feeds' | 'outlets' | 'bypasses' | 'drains'>,
  chemical: ChemicalResult,
): Record<string, Verdict> {
  const out: Record<string, Verdict> = Object.fromEntries(rig.lines.map((l) => [l.id, 'fed']));
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
