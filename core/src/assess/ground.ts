import { assumptionValues } from '../assumption/register.js';
import type { AnswerBook } from '../hydraulics/network/index.js';
import type { Rig } from '../rig/schema.js';
import { Blends } from '../solve/blend-network.js';
import { Cases } from '../solve/cases.js';
import { Stocks } from '../solve/stock.js';
import type { Ground } from '../subject/subject.js';

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

  /** @param earlier cases of the same rig but for names */
  constructor(
    readonly rig: Rig,
    book?: AnswerBook,
    earlier?: Cases,
  ) {
    const values = assumptionValues(rig.assumptions);
    this.values = values;
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
