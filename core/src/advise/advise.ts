import { applyPatches, enablePatches, type Patch, produceWithPatches } from 'immer';
import { assess } from '../assess/assess.js';
import { type Assessment, type Finding, type Verdict, VERDICTS } from '../assess/types.js';
import type { Dimension } from '../quantity/dimension.js';
import { readRig } from '../rig/read.js';
import type { Rig, RigDocument } from '../rig/schema.js';
import { bill } from './bill.js';
import { candidates } from './candidates.js';

enablePatches();

/** A change to the document, as JSON patches with paths in arrays. */
export type DocumentPatch = Patch;

/** A change that helps, re-assessed. */
export interface Fix {
  readonly id: string;
  readonly title: string;
  /** What it answers. */
  readonly code: string;
  readonly subjectId: string;
  readonly station: Finding['station'];
  readonly patches: readonly DocumentPatch[];
  /** What it gains on the figure that the finding is about. */
  readonly gain: { readonly label: string; readonly before: number; readonly after: number; readonly dimension: Dimension };
  /** Extra cost, $, and dry mass, kg, by the workshop's estimates. */
  readonly price: number;
  readonly massKg: number;
  /** Whether the finding is gone. */
  readonly cures: boolean;
  readonly verdictAfter: Verdict;
}

interface Measure {
  readonly label: string;
  readonly dimension: Dimension;
  /** More is better. */
  readonly of: (a: Assessment) => number;
  /** Smallest change worth telling. */
  readonly step: number;
}

/** The figure that a finding is about; larger is better. */
function measureOf(finding: Finding): Measure {
  const id = finding.subject.id;
  switch (finding.code) {
    case 'runs-dry':
    case 'runs-dry-poor':
    case 'little-reserve':
      return finding.code === 'runs-dry-poor'
        ? {
            label: 'water lasts',
            dimension: 'time',
            of: (a) => {
              const t = a.tanks.find((x) => x.tankId === id);
              return t ? Math.min(t.dryAfterPoorS, lastTime(t.series.timeS)) : 0;
            },
            step: 30,
          }
        : { label: 'water left', dimension: 'volume', of: (a) => a.tanks.find((t) => t.tankId === id)?.leftM3 ?? 0, step: 1e-3 };
    case 'tie-small':
      return { label: 'level difference', dimension: 'length', of: (a) => -(a.tanks.find((t) => t.tie)?.tie?.differenceM.value ?? 0), step: 5e-3 };
    case 'vent-small':
    case 'no-vent':
      return { label: 'vacuum', dimension: 'pressure', of: (a) => -Math.min(a.drains.find((d) => d.tankId === id)?.vacuum.value ?? 0, 1e6), step: 1 };
    case 'bypass-hot':
      return { label: 'until hot', dimension: 'time', of: (a) => a.bypasses.find((b) => b.machineId === id)?.minutesToLimit.value ?? 0, step: 30 };
    case 'return-tight':
      return { label: 'back-pressure', dimension: 'pressure', of: (a) => -(a.bypasses.find((b) => b.machineId === id)?.backPressure.value ?? 0), step: 1e3 };
    case 'return-bubbles':
      return {
        label: 'bubbles reach',
        dimension: 'length',
        of: (a) => -(a.bypasses.find((b) => b.machineId === id)?.bubbles?.reachesBelowLevelM ?? 0),
        step: 5e-3,
      };
    case 'gun-weak':
      return { label: 'at the gun', dimension: 'pressure', of: (a) => a.outlets.find((o) => o.outletId === id)?.pressure.value ?? 0, step: 5e4 };
    case 'gun-strong':
      return { label: 'at the gun', dimension: 'pressure', of: (a) => -(a.outlets.find((o) => o.outletId === id)?.pressure.value ?? 0), step: 5e4 };
    case 'surface-harsh':
      return {
        label: 'at the gun',
        dimension: 'pressure',
        of: (a) => -Math.max(...a.cases.map((c) => c.guns.find((g) => g.outletId === id)?.pressurePa ?? 0)),
        step: 5e4,
      };
    case 'reel-small':
      return { label: 'fits', dimension: 'length', of: (a) => a.reels.find((r) => r.reelId === id)?.capacity.value ?? 0, step: 0.1 };
    case 'unloader-cycles':
      return { label: 'turned back', dimension: 'flow', of: (a) => -(a.machines.find((x) => x.machineId === id)?.returned.value ?? 0), step: 1e-7 };
    case 'engine-small':
      return {
        label: 'engine to spare',
        dimension: 'power',
        of: (a) => {
          const x = a.machines.find((y) => y.machineId === id);
          return x ? x.engineAvailable.value - x.enginePower.value : 0;
        },
        step: 10,
      };
    case 'suction-fast':
      return { label: 'suction speed', dimension: 'velocity', of: (a) => -(a.feeds.find((f) => f.machineId === id)?.velocity.value ?? 0), step: 0.01 };
    case 'feed-starved':
    case 'feed-tight':
    case 'direct-poor-spigot':
      return { label: 'inlet head', dimension: 'length', of: (a) => a.feeds.find((f) => f.machineId === id)?.margin.value ?? -100, step: 0.02 };
    default:
      return { label: 'findings', dimension: 'number', of: (a) => -a.findings.filter((f) => f.code === finding.code).length, step: 0.5 };
  }
}

const lastTime = (t: readonly number[]): number => t[t.length - 1] ?? 0;
const rank = (v: Verdict): number => VERDICTS.indexOf(v);
const same = (a: Finding, b: Finding): boolean => a.code === b.code && a.subject.id === b.subject.id;

/**
 * Fixes for a rig's findings: each candidate change is made, re-read and re-assessed; only those that gain on the
 * figure in question, and bring no worse trouble elsewhere, are kept. Cures first, then cheapest per gain.
 */
export function advise(doc: RigDocument, rig: Rig, now: Assessment): Fix[] {
  const steps = adviseSteps(doc, rig, now);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/** {@link advise} one candidate at a time, so that a worker may look up between them. */
export function* adviseSteps(doc: RigDocument, rig: Rig, now: Assessment): Generator<void, Fix[]> {
  const base = bill(rig);
  const out: Fix[] = [];
  for (const finding of now.findings) {
    if (finding.verdict === 'fed') continue;
    const measure = measureOf(finding);
    const before = measure.of(now);
    for (const candidate of candidates(finding, rig, doc, now)) {
      yield;
      const tried = tryCandidate(doc, candidate.change);
      if (!tried) continue;
      const after = measure.of(tried.assessment);
      if (!(after - before >= measure.step)) continue;
      if (bringsWorse(finding, now, tried.assessment)) continue;
      const cost = bill(tried.rig);
      out.push({
        id: `${finding.code}:${finding.subject.id}:${candidate.id}`,
        title: candidate.title,
        code: finding.code,
        subjectId: finding.subject.id,
        station: finding.station,
        patches: tried.patches,
        gain: { label: measure.label, before, after, dimension: measure.dimension },
        price: cost.price - base.price,
        massKg: cost.massKg - base.massKg,
        cures:
          !tried.assessment.findings.some((f) => same(f, finding) && rank(f.verdict) >= rank(finding.verdict)) &&
          !tried.assessment.findings.some(
            (f) => f.subject.id === finding.subject.id && f.station === finding.station && rank(f.verdict) >= rank(finding.verdict),
          ),
        verdictAfter: tried.assessment.verdict,
      });
    }
  }
  return ranked(out);
}

function bringsWorse(finding: Finding, now: Assessment, then: Assessment): boolean {
  return then.findings.some(
    (f) =>
      !same(f, finding) &&
      rank(f.verdict) >= rank('tight') &&
      !now.findings.some((g) => same(f, g) && rank(g.verdict) >= rank(f.verdict)) &&
      rank(f.verdict) >= rank(finding.verdict) &&
      f.code !== 'feed-tight' &&
      f.code !== 'runs-dry-poor' &&
      f.code !== 'little-reserve',
  );
}

function tryCandidate(doc: RigDocument, change: (d: RigDocument) => void): { rig: Rig; assessment: Assessment; patches: DocumentPatch[] } | undefined {
  const [next, patches] = produceWithPatches(doc, (draft) => {
    change(draft as RigDocument);
  });
  if (patches.length === 0) return undefined;
  const read = readRig(next);
  if (!read.ok) return undefined;
  return { rig: read.rig, assessment: assess(read.rig), patches };
}

function ranked(all: Fix[]): Fix[] {
  const gain = (f: Fix): number => f.gain.after - f.gain.before;
  const worth = (f: Fix): number => gain(f) / (Math.abs(f.price) + 15);
  return all.sort((a, b) => Number(b.cures) - Number(a.cures) || (a.code === b.code ? worth(b) - worth(a) : 0));
}

/** A document with a fix's patches in it. */
export function applyFix(doc: RigDocument, fix: Pick<Fix, 'patches'>): RigDocument {
  return applyPatches(doc, fix.patches as Patch[]);
}
