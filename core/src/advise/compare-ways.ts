import { finished } from '../steps.js';
import { assess } from '../assess/assess.js';
import type { MixResult } from '../subject/mix/result.js';
import { worstOf, type Verdict } from '../subject/verdict.js';
import { convertMix } from '../edit/mix-way.js';
import { MIX_WAYS, type MixWay } from '../rig/schema.js';
import { readRig } from '../rig/read.js';
import type { RigDocument } from '../rig/schema.js';
import { bill } from '../catalogue/bill.js';
import { changed } from '../edit/draft.js';

/** One way of mixing on this rig, for this customer. Strengths are trade shares. */
export interface WayCompared {
  readonly way: MixWay;
  readonly now: boolean;
  readonly result: MixResult;
  /** Of the mix's own findings. */
  readonly verdict: Verdict;
  readonly carriedKg: number;
  /** Parts and tanks more than now, $. */
  readonly price: number;
  readonly stockDayM3: number;
  readonly costDay: number;
  readonly canFail: string;
}

const CAN_FAIL: Readonly<Record<MixWay, string>> = {
  batch: 'One strength until the tank is empty; what is left ages.',
  'draw-stick': 'Someone must move the hose; a dry bucket sucks air.',
  proportioner: 'Checks and valves stick; strength drifts with the levels.',
  downstream: 'Long or thin hose stops the draw; never strong enough for roofs.',
  nozzle: 'A bucket is carried along; the draw hose is pulled off.',
};

/**
 * The five ways of mixing for one mix, each set up on this rig with its usual parts, valves at their best, and assessed.
 * Ways that this rig cannot have (no gun to draw at) are left out.
 */
export function compareWays(doc: RigDocument, mixId: string): WayCompared[] {
  return finished(compareWaysSteps(doc, mixId));
}

/** {@link compareWays} one way at a time; each step gives the share done. */
export function* compareWaysSteps(doc: RigDocument, mixId: string): Generator<number, WayCompared[]> {
  const read = readRig(doc);
  if (!read.ok) return [];
  const before = bill(read.rig).price;
  const dayM3 = assess(read.rig).chemical.mixes.find((m) => m.mixId === mixId)?.dayM3.value ?? 0.1;
  const out: WayCompared[] = [];
  for (const [i, way] of MIX_WAYS.entries()) {
    yield i / MIX_WAYS.length;
    const now = doc.mixes?.find((m) => m.id === mixId)?.way === way;
    const tried = assessed(now ? doc : changed(doc, byWay(doc, mixId, way, dayM3)), mixId);
    if (!tried) continue;
    const { result, verdict, rig } = tried;
    out.push({
      way,
      now,
      result,
      verdict,
      carriedKg: result.carried.value,
      price: bill(rig).price - before,
      stockDayM3: result.stockPerJob.value * result.jobsPerDay,
      costDay: result.costPerJob.value * result.jobsPerDay,
      canFail: CAN_FAIL[way],
    });
  }
  return out;
}

const assessed = (doc: RigDocument, mixId: string) => {
  const read = readRig(doc);
  if (!read.ok) return undefined;
  const a = assess(read.rig);
  const result = a.chemical.mixes.find((m) => m.mixId === mixId);
  return result && { result, verdict: worstOf([result.verdict, ...a.findings.filter((f) => f.subject.id === mixId).map((f) => f.verdict)]), rig: read.rig };
};

/** The edit that mixes another way, valves and tips set for the strength wanted: what is built so is what was compared. */
export function byWay(doc: RigDocument, mixId: string, way: MixWay, dayM3: number): (d: RigDocument) => void {
  const convert = (d: RigDocument): void => convertMix(d, mixId, way, dayM3);
  const set = wantedSetting(changed(doc, convert), mixId);
  return (d) => {
    convert(d);
    set?.(d);
  };
}

/** The document with a mix's metering valves, or the tip of its nozzle injector, set for the strength wanted; as it was where nothing can be set. */
export function asWanted(doc: RigDocument, mixId: string): RigDocument {
  const set = wantedSetting(doc, mixId);
  return set ? changed(doc, set) : doc;
}

/** The edit that sets a mix for the strength wanted; undefined where nothing can be set. */
function wantedSetting(doc: RigDocument, mixId: string): ((d: RigDocument) => void) | undefined {
  const now = assessed(doc, mixId);
  if (!now) return undefined;
  const { result, rig } = now;
  const wanted = result.wanted.value;
  // A nozzle injector comes with metering tips: the one that brings the wanted strength is put in.
  if (result.way === 'nozzle' && wanted > 0 && result.first.value > wanted)
    return (d) => {
      const ratio = (strength: number, stock: number): number => strength / (stock - strength);
      const stock = result.streams[1]?.strength ?? 1;
      const drawn = rig.mixes.find((m) => m.id === mixId)!.injector!.drawRatio;
      const next = (drawn * ratio(wanted, stock)) / ratio(result.first.value, stock);
      d.mixes!.find((m) => m.id === mixId)!.injector!.drawRatio = `${(100 * Math.max(next, 0.006)).toPrecision(4)} %`;
    };
  if (!result.settings.length || !result.reachable) return undefined;
  return (d) => {
    for (const s of result.settings) {
      const part = d.lines.find((l) => l.id === s.lineId)?.parts.find((p) => p.id === s.partId);
      if (part?.kind === 'valve') part.setting = `${(100 * s.wanted).toPrecision(4)} %`;
    }
  };
}
