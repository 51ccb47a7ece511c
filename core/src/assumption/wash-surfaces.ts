import { type Assumption, assumption } from './entry.js';

/** Kinds of surface that are soft washed. */
export const WASH_SURFACES = ['house', 'roof', 'growth', 'paving', 'wood', 'stone', 'glasshouse', 'vehicle'] as const;
export type WashSurface = (typeof WASH_SURFACES)[number];

export const WASH_SURFACE_NAMES: Readonly<Record<WashSurface, string>> = {
  house: 'House walls',
  roof: 'Roof',
  growth: 'Heavy growth',
  paving: 'Paving',
  wood: 'Wood',
  stone: 'Stone',
  glasshouse: 'Glasshouse',
  vehicle: 'Vehicle',
};

/** Trade strength at the wall, ft² for a gallon of mix, passes, minutes of dwell, ft² for a gallon of rinse. */
const USUAL: Readonly<Record<WashSurface, readonly [strength: string, coverage: string, passes: string, dwell: string, rinse: string]>> = {
  house: ['1 %', '120 ft²/gal', '1', '10 min', '25 ft²/gal'],
  roof: ['3.5 %', '70 ft²/gal', '1', '20 min', '60 ft²/gal'],
  growth: ['2.5 %', '80 ft²/gal', '2', '15 min', '25 ft²/gal'],
  paving: ['1.5 %', '100 ft²/gal', '1', '10 min', '20 ft²/gal'],
  wood: ['0.5 %', '100 ft²/gal', '1', '15 min', '20 ft²/gal'],
  stone: ['0.8 %', '90 ft²/gal', '1', '15 min', '20 ft²/gal'],
  glasshouse: ['0.4 %', '150 ft²/gal', '1', '5 min', '20 ft²/gal'],
  vehicle: ['0 %', '150 ft²/gal', '1', '3 min', '30 ft²/gal'],
};

type WashValue = 'strength' | 'coverage' | 'passes' | 'dwell' | 'rinse';
type WashId = `wash-${WashSurface}-${WashValue}`;

const idsOf = (s: WashSurface): { readonly [V in WashValue]: `wash-${WashSurface}-${V}` } => ({
  strength: `wash-${s}-strength`,
  coverage: `wash-${s}-coverage`,
  passes: `wash-${s}-passes`,
  dwell: `wash-${s}-dwell`,
  rinse: `wash-${s}-rinse`,
});

/** Names of a surface's assumptions: put together once, they are asked for often. */
export const WASH_IDS: Readonly<Record<WashSurface, ReturnType<typeof idsOf>>> = {
  house: idsOf('house'),
  roof: idsOf('roof'),
  growth: idsOf('growth'),
  paving: idsOf('paving'),
  wood: idsOf('wood'),
  stone: idsOf('stone'),
  glasshouse: idsOf('glasshouse'),
  vehicle: idsOf('vehicle'),
};

/** The register's entries for surfaces. Ids are `wash-roof-strength`, `-coverage`, `-passes`, `-dwell`, `-rinse`. */
export function washAssumptions(): (Assumption & { readonly id: WashId })[] {
  const say = 'Usual in the trade; try a hidden patch and follow the product’s label.';
  return WASH_SURFACES.flatMap((s) => {
    const [strength, coverage, passes, dwell, rinse] = USUAL[s];
    const name = WASH_SURFACE_NAMES[s];
    const ids = WASH_IDS[s];
    return [
      assumption(ids.strength, `${name}: strength at the wall`, 'ratio', strength, 'common-practice', say),
      assumption(ids.coverage, `${name}: area for a gallon of mix`, 'coverage', coverage, 'common-practice', say),
      assumption(ids.passes, `${name}: passes`, 'number', passes, 'common-practice', say),
      assumption(ids.dwell, `${name}: dwell`, 'time', dwell, 'common-practice', say),
      assumption(ids.rinse, `${name}: area for a gallon of rinse`, 'coverage', rinse, 'common-practice', say),
    ];
  });
}
