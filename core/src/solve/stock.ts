import type { AssumptionValues } from '../assumption/register.js';
import type { LiquidKind } from '../chemistry/compatibility.js';
import { chlorineShare, hypochloriteGravity, strengthAfter, tradeShare } from '../chemistry/hypochlorite.js';
import type { Liquid, Mix, Rig, Tank } from '../rig/schema.js';
import { wantedStrength } from './consumption.js';

/** Products whose strength is counted as the share of the product itself. */
const NEAT: ReadonlySet<LiquidKind> = new Set(['soap', 'degreaser', 'acid', 'caustic', 'ammonia', 'neutraliser']);

/** A liquid as it is today. */
export interface Stock {
  readonly liquid: Liquid;
  /** Of SH the trade share when bought; else 0. */
  readonly bought: number;
  /**
   * Of SH the trade share today, titrated or aged by the reckoning; of a powder mixed on site its grams for each litre ÷ 1000;
   * of any other product 1, so that a mix counts its share.
   */
  readonly today: number;
  /** Specific gravity. */
  readonly gravity: number;
}

const GRAVITIES: Readonly<Partial<Record<LiquidKind, number>>> = { acid: 1.1, caustic: 1.15, antifreeze: 1.04, degreaser: 1.05, ammonia: 1.0 };

/** Trade share of what a label says. */
function tradeOf({ as, bought }: NonNullable<Liquid['strength']>): number {
  switch (as) {
    case 'trade':
      return bought;
    case 'weight':
      return tradeShare(bought);
    case 'weight-hypochlorite':
      return tradeShare(chlorineShare(bought));
  }
}

/** What a liquid is worth today. */
export function stockOf(liquid: Liquid, values: AssumptionValues): Stock {
  const s = liquid.strength;
  const bought = s ? tradeOf(s) : 0;
  const today = s
    ? (s.titrated ?? strengthAfter(bought, s.age, s.kept, values['excess-caustic']))
    : liquid.dose !== undefined
      ? liquid.dose / 1000
      : NEAT.has(liquid.kind)
        ? 1
        : 0;
  const gravity =
    liquid.kind === 'hypochlorite' ? hypochloriteGravity(bought) : liquid.kind === 'soap' ? values['gravity-soap'] : (GRAVITIES[liquid.kind] ?? 1);
  return { liquid, bought, today, gravity };
}

export const WATER: Stock = {
  liquid: { id: 'water', name: 'Water', kind: 'water', price: 0, strength: undefined, dose: undefined, useBy: undefined },
  bought: 0,
  today: 0,
  gravity: 1,
};

/** Whether a mix draws on a tank. */
export const drawsOn = (rig: Rig, mix: Mix, tank: Tank): boolean =>
  rig.lines.some((l) => l.role === 'chemical' && !l.closed && l.from.at === 'tank' && l.from.id === tank.id && l.to.at === 'mix' && l.to.id === mix.id);

/** The mix that is made in a tank at its final strength; undefined for a tank of stock. */
export const mixMadeIn = (rig: Rig, tank: Tank): Mix | undefined =>
  rig.mixes.find((m) => (m.way === 'batch' || m.way === 'draw-stick') && drawsOn(rig, m, tank));

/** Every liquid of a rig today, and what each tank holds. */
export class Stocks {
  private readonly byId: ReadonlyMap<string, Stock>;

  constructor(
    readonly rig: Rig,
    readonly values: AssumptionValues,
  ) {
    this.byId = new Map(rig.liquids.map((l) => [l.id, stockOf(l, values)]));
  }

  of(liquidId: string | undefined): Stock {
    return (liquidId !== undefined && this.byId.get(liquidId)) || WATER;
  }

  in(tank: Tank): Stock {
    return this.of(tank.holds);
  }

  /** Share of its stock in what stands in a tank: a finished mix is water but for it. */
  shareIn(tank: Tank): number {
    const [made, { today }] = [mixMadeIn(this.rig, tank), this.in(tank)];
    return made && today > 0 ? Math.min(wantedStrength(made, this.values) / today, 1) : 1;
  }

  /** Specific gravity of what stands in a tank. */
  gravityIn(tank: Tank): number {
    // A tank of antifreeze is that, whether or not it says which.
    if (tank.liquid === 'antifreeze' && tank.holds === undefined) return GRAVITIES.antifreeze ?? 1;
    return 1 + (this.in(tank).gravity - 1) * this.shareIn(tank);
  }

  /** Strength of a liquid kept at this temperature, K, against what it is reckoned at; what was titrated is as measured. */
  keptAt(liquidId: string | undefined, temperatureK: number | undefined): number {
    const { liquid, bought, today } = this.of(liquidId);
    const s = liquid.strength;
    if (!s || s.titrated !== undefined || temperatureK === undefined || !(today > 0)) return 1;
    return strengthAfter(bought, s.age, temperatureK, this.values['excess-caustic']) / today;
  }

  get all(): readonly Stock[] {
    return [...this.byId.values()];
  }
}
