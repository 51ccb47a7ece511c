import { assumptionValues } from '../assumption/register.js';
import type { AnswerBook } from '../hydraulics/network/index.js';
import type { Rig } from '../rig/schema.js';
import { Blends } from '../solve/blend-network.js';
import { Cases } from '../solve/cases.js';
import { Stocks } from '../solve/stock.js';
import { sameList } from '../subject/same-list.js';
import type { Ground, Reading } from '../subject/subject.js';

interface Thing {
  readonly reads: readonly unknown[];
  readonly answer: unknown;
}
export type Things = ReadonlyMap<string, Thing>;
/** Most answers of single things that are kept: a large rig has some fifty. */
const MOST_THINGS = 500;

const once = <T>(make: () => T): (() => T) => {
  let made: { readonly value: T } | undefined;
  return () => (made ??= { value: make() }).value;
};

/** The ground of a rig. Networks are built when a subject first asks for them. */
export class RigGround implements Ground {
  readonly values: Ground['values'];
  unsettled: readonly string[] = [];
  private asked: Cases | undefined;
  private told = 0;
  private readonly theCases: () => Cases;
  private readonly theStocks: () => Stocks;
  private readonly theBlends: () => Blends;

  /** Answers of single things, with what they hang on; those that were not asked for stay as they were. */
  readonly things: Map<string, Thing>;
  /** Set where answers are kept from one assessment to the next. */
  reading: Reading | undefined;

  /**
   * @param earlier cases of the same rig but for names
   * @param before answers of single things of an earlier assessment
   */
  constructor(
    readonly rig: Rig,
    book?: AnswerBook,
    earlier?: Cases,
    private readonly before?: Things,
  ) {
    const values = assumptionValues(rig.assumptions);
    this.values = values;
    // Things come and go: what belongs to none of now is dropped now and then.
    this.things = new Map(before && before.size < MOST_THINGS ? before : undefined);
    this.theCases = once(() => earlier?.renamed(rig) ?? new Cases(rig, values, book));
    this.theStocks = once(() => new Stocks(rig, values));
    this.theBlends = once(() => new Blends(rig, values, this.stocks));
  }

  get cases(): Cases {
    const cases = this.theCases();
    this.asked = cases;
    return cases;
  }
  get stocks(): Stocks {
    return this.theStocks();
  }
  get blends(): Blends {
    return this.theBlends();
  }

  readonly each: Ground['each'] = (key, reads, make) => {
    if (!this.reading) return make();
    const now = reads(this.reading);
    const old = this.before?.get(key);
    const answer = old && sameList(old.reads, now) ? (old.answer as ReturnType<typeof make>) : make();
    this.things.set(key, { reads: now, answer });
    return answer;
  };

  /** Cases that would not settle since this was asked last. */
  newlyUnsettled(): readonly string[] {
    if (!this.asked) return [];
    const news = this.asked.unsettled.slice(this.told);
    this.told += news.length;
    return news;
  }

  /** Cases solved so far. */
  get solves(): number {
    return this.asked?.solves ?? 0;
  }
}
