import { dayModelSteps } from '../day/model.js';
import { finished } from '../steps.js';
import { DAY_SEED } from '../day/round-size.js';
import { gatherSample, sampleSteps } from '../day/sample.js';
import { applyPatches, enablePatches, type Patch, produceWithPatches } from 'immer';
import { type Assessed, assessTry, reassess } from '../assess/again/reassess.js';
import type { Assessment, Judged } from '../subject/assessment.js';
import { type Finding } from '../subject/finding.js';
import { type Verdict, VERDICTS } from '../subject/verdict.js';
import type { Dimension } from '../quantity/dimension.js';
import { mend } from '../rig/mend.js';
import { type Read, readRig } from '../rig/read.js';
import { reread } from '../rig/reread.js';
import type { Rig, RigDocument } from '../rig/schema.js';
import { type Message, message } from '../working/figure.js';
import { FINDING_KINDS } from '../subject/index.js';
import { gained } from '../subject/kind.js';
import { layHoses } from '../edit/place.js';
import { bill } from '../catalogue/bill.js';
import { type AssumptionValues, assumptionValues } from '../assumption/register.js';
import { makeRoomSteps } from '../arrange/make-room.js';
import { loadedMass } from '../solve/deck-load.js';
import { weightPrice } from '../solve/loaded.js';
import { Stocks } from '../solve/stock.js';

enablePatches();

/** A change to the document, as JSON patches with paths in arrays. */
export type DocumentPatch = Patch;

/** A change that helps, re-assessed. */
export interface Fix {
  readonly id: string;
  readonly title: Message;
  /** What it answers. */
  readonly code: Finding['code'];
  readonly subjectId: string;
  readonly station: Finding['station'];
  readonly patches: readonly DocumentPatch[];
  /** What it gains on the figure that the finding is about. */
  readonly gain: { readonly label: string; readonly before: number; readonly after: number; readonly dimension: Dimension; readonly better: 'more' | 'less' };
  /** Extra cost, $, and mass on the road with what is in the tanks as the day starts, kg, by the workshop's estimates. */
  readonly price: number;
  readonly massKg: number;
  /** Whether the finding is gone. */
  readonly cures: boolean;
  /** Troubles that its station still tells with the change made. */
  readonly left: number;
  readonly verdictAfter: Verdict;
}

/** What a step gives that begins with another change. */
export const ANOTHER = 'another';

/** Most changes that are tried for one rig, the worst findings first: the same on every machine. The layouts need up to ten. */
export const MOST_TRIES = 60;

const rank = (v: Verdict): number => VERDICTS.indexOf(v);
const same = (a: Finding, b: Finding): boolean => a.code === b.code && a.subject.id === b.subject.id;

/**
 * Fixes for a rig's findings: each candidate change is made, re-read and re-assessed; only those that gain on the
 * figure in question, and bring no worse trouble elsewhere, are kept. Cures first, then cheapest per gain.
 */
export function advise(doc: RigDocument, rig: Rig, now: Assessment): Fix[] {
  const read = readRig(doc);
  if (!read.ok) return [];
  return finished(adviseSteps({ document: doc, plain: read.plain, rig }, now));
}

/**
 * {@link advise} a piece at a time, so that a worker may look up between them: a candidate, a stretch of a search for room, a
 * stretch of a day.
 * @param given the document as read
 * @param from the rig assessed so that its answers may be taken up; each try then reckons only what it touches
 */
export function* adviseSteps(given: Read, now: Assessment, from: Assessed = reassess(given.rig)): Generator<unknown, Fix[]> {
  const { document: doc, rig } = given;
  const base = bill(rig);
  const read: Read = { ...given, rig: from.rig };
  const values = assumptionValues(rig.assumptions);
  const loaded = loadedMass(rig, new Stocks(rig, values));
  const out: Fix[] = [];
  let tries = 0;
  let rooms = 0;
  for (const finding of now.findings) {
    if (finding.verdict === 'fed') continue;
    const { figure, rules } = FINDING_KINDS[finding.code];
    const before = figure.of(now, finding.subject.id, rig);
    for (const candidate of rules?.(finding, rig, doc, now) ?? []) {
      yield ANOTHER;
      if (++tries > MOST_TRIES) return ranked(out, values);
      let tried = yield* tryCandidate(read, from, candidate.change);
      if (!tried) continue;
      // What grows may need room: a few times the others are moved aside for it.
      let roomy = false;
      if (rooms < MOST_ROOMS && newlyCrowded(now, tried.assessment)) {
        rooms++;
        const grown = tried.document;
        const placements = yield* makeRoomSteps(rig, grown);
        const again =
          placements &&
          (yield* tryCandidate(read, from, (d) => {
            candidate.change(d);
            d.placements = [...placements];
            layHoses(d);
          }));
        if (again) [tried, roomy] = [again, true];
      }
      const after = figure.of(tried.assessment, finding.subject.id, tried.rig);
      if (!(gained(figure, before, after) >= figure.step)) continue;
      if (bringsWorse(finding, now, tried.assessment)) continue;
      yield;
      const cost = bill(tried.rig);
      const title = roomy ? withRoom(titleOf(candidate.title)) : titleOf(candidate.title);
      const days = candidate.days ? yield* shortDays(tried.rig) : undefined;
      out.push({
        id: `${finding.code}:${finding.subject.id}:${candidate.id}`,
        title: days ? withDays(title, days) : title,
        code: finding.code,
        subjectId: finding.subject.id,
        station: finding.station,
        patches: tried.patches,
        gain: { label: figure.label, before, after, dimension: figure.dimension, better: figure.better },
        price: cost.price - base.price,
        massKg: loadedMass(tried.rig, new Stocks(tried.rig, values)) - loaded,
        // What leaves the rig short on more days than are allowed cures nothing.
        cures:
          (days === undefined || days.chance <= days.tolerance) &&
          !tried.assessment.findings.some((f) => same(f, finding) && rank(f.verdict) >= rank(finding.verdict)) &&
          !tried.assessment.findings.some(
            (f) => f.subject.id === finding.subject.id && f.station === finding.station && rank(f.verdict) >= rank(finding.verdict),
          ),
        left: tried.assessment.findings.filter((f) => f.station === finding.station && f.verdict !== 'fed').length,
        verdictAfter: tried.assessment.verdict,
      });
    }
  }
  return ranked(out, values);
}

/** Most changes of one rig for which things are moved aside. */
const MOST_ROOMS = 4;

const titleOf = (title: string | Message): Message => (typeof title === 'string' ? message(title) : title);
const withRoom = (title: Message): Message => message(`${title.template}, with room made on the deck`, title.values);

/** Days that are sampled for a change that bears on how much is carried. */
const DAYS_TOLD = 100;

interface ShortDays {
  readonly chance: number;
  readonly days: number;
  readonly tolerance: number;
}

/** How many days go short with a change, where that is what it costs. */
function* shortDays(rig: Rig): Generator<unknown, ShortDays> {
  const model = yield* dayModelSteps(rig);
  const { short, causes, tolerance } = gatherSample(model, DAY_SEED, [yield* sampleSteps(model, DAY_SEED, 0, DAYS_TOLD)]);
  // Less in a tank of chemicals shows as stock that runs out.
  return { chance: Math.max(short.chance, ...causes.filter((c) => c.cause === 'stock').map((c) => c.chance.chance)), days: short.days, tolerance };
}

const withDays = (title: Message, { chance, days }: ShortDays): Message =>
  message(`${title.template}: {short} of {days} days short`, { ...title.values, short: String(Math.round(chance * days)), days: String(days) });

/** Whether a change made things stand in one another, or brought something that has no place. */
const newlyCrowded = (now: Assessment, then: Judged): boolean => {
  const crowd = (a: Judged): number => a.findings.filter((f) => FINDING_KINDS[f.code].scale === 'fit' && f.verdict !== 'fed').length;
  return crowd(then) > crowd(now) || (then.plan?.tray.length ?? 0) > (now.plan?.tray.length ?? 0);
};

function bringsWorse(finding: Finding, now: Assessment, then: Judged): boolean {
  return then.findings.some(
    (f) =>
      !same(f, finding) &&
      rank(f.verdict) >= rank('tight') &&
      !now.findings.some((g) => same(f, g) && rank(g.verdict) >= rank(f.verdict)) &&
      rank(f.verdict) >= rank(finding.verdict) &&
      !FINDING_KINDS[f.code].minor,
  );
}

function* tryCandidate(
  before: Read,
  from: Assessed,
  change: (d: RigDocument) => void,
): Generator<void, { document: RigDocument; rig: Rig; assessment: Judged; patches: DocumentPatch[] } | undefined> {
  const [next, patches] = produceWithPatches(before.document, (draft) => {
    change(draft);
    mend(draft);
  });
  if (patches.length === 0) return undefined;
  const read = reread(next, before);
  if (!read.ok) return undefined;
  yield;
  const { rig, assessment } = yield* assessTry(read.rig, from);
  return { document: next, rig, assessment, patches };
}

/** Cures first, then the most gained for money and for weight on the road. */
function ranked(all: Fix[], values: AssumptionValues): Fix[] {
  const gain = (f: Fix): number => gained(f.gain, f.gain.before, f.gain.after);
  const worth = (f: Fix): number => gain(f) / (Math.abs(f.price) + Math.max(weightPrice(f.massKg, values), 0) + 15);
  return all.sort((a, b) => Number(b.cures) - Number(a.cures) || (a.code === b.code ? worth(b) - worth(a) : 0));
}

/** A document with a fix's patches in it. */
export function applyFix(doc: RigDocument, fix: Pick<Fix, 'patches'>): RigDocument {
  return applyPatches(doc, fix.patches as Patch[]);
}
