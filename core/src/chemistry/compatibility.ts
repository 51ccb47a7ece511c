/** Families of liquid that a wash rig carries. */
export const LIQUID_KINDS = [
  'water',
  'hypochlorite',
  'soap',
  'oxygen-bleach',
  'caustic',
  'acid',
  'degreaser',
  'ammonia',
  'neutraliser',
  'antifreeze',
  'pure-water',
] as const;
export type LiquidKind = (typeof LIQUID_KINDS)[number];

export const LIQUID_NAMES: Readonly<Record<LiquidKind, string>> = {
  water: 'water',
  hypochlorite: 'SH',
  soap: 'soap',
  'oxygen-bleach': 'oxygen bleach',
  caustic: 'caustic',
  acid: 'acid',
  degreaser: 'degreaser',
  ammonia: 'ammonia or quat',
  neutraliser: 'neutraliser',
  antifreeze: 'antifreeze',
  'pure-water': 'pure water',
};

/** What happens when two kinds meet: `ok`, `care` (spoils, warms or wants a flush) or `never`. */
export interface Meeting {
  readonly verdict: 'ok' | 'care' | 'never';
  readonly reason: string;
}

const OK: Meeting = { verdict: 'ok', reason: '' };
const pair = (a: LiquidKind, b: LiquidKind): string => [a, b].sort().join('+');

/** Pairs that are not indifferent. General chemistry; the products' data sheets come first. */
const MEETINGS: ReadonlyMap<string, Meeting> = new Map(
  (
    [
      ['hypochlorite', 'acid', 'never', 'acid sets chlorine gas free from SH'],
      ['hypochlorite', 'ammonia', 'never', 'ammonia and quats make chloramine gas with SH'],
      ['hypochlorite', 'oxygen-bleach', 'never', 'peroxide breaks SH down with oxygen, heat and pressure'],
      ['acid', 'caustic', 'never', 'acid and caustic boil up and spatter'],
      ['acid', 'oxygen-bleach', 'care', 'acid spoils a percarbonate mix and foams'],
      ['acid', 'degreaser', 'care', 'most degreasers are caustic: heat, and both are spent'],
      ['acid', 'ammonia', 'care', 'acid and quat or ammonia: heat, and both are spent'],
      ['acid', 'soap', 'care', 'many soaps curdle in acid'],
      ['acid', 'neutraliser', 'never', 'thiosulphate gives off sulphur dioxide gas in acid'],
      ['hypochlorite', 'degreaser', 'care', 'some degreasers hold solvents or amines that react with SH: read both data sheets'],
      ['hypochlorite', 'soap', 'care', 'only soaps sold for SH keep: others eat the strength or release gas'],
      ['hypochlorite', 'neutraliser', 'care', 'neutraliser destroys SH and warms: only in the rinse, never in the stock'],
      ['hypochlorite', 'antifreeze', 'care', 'glycol eats the strength: flush one before the other'],
      ['oxygen-bleach', 'neutraliser', 'care', 'neutraliser destroys the bleach'],
      ['oxygen-bleach', 'antifreeze', 'care', 'peroxide attacks glycol: flush one before the other'],
      ['caustic', 'oxygen-bleach', 'care', 'caustic makes peroxide decay at once'],
      ['caustic', 'ammonia', 'never', 'caustic sets ammonia gas free'],
      ['pure-water', 'hypochlorite', 'care', 'any residue spoils a spot-free rinse'],
      ['pure-water', 'soap', 'care', 'any residue spoils a spot-free rinse'],
    ] as const
  ).map(([a, b, verdict, reason]) => [pair(a, b), { verdict, reason }]),
);

/** What happens when two kinds meet. The order does not matter; a kind with itself is fine. */
export const meeting = (a: LiquidKind, b: LiquidKind): Meeting => MEETINGS.get(pair(a, b)) ?? OK;

export const WETTED = ['polypropylene', 'stainless', 'brass', 'aluminium', 'steel', 'nitrile', 'fluororubber'] as const;
export type Wetted = (typeof WETTED)[number];

/** Materials that a kind of liquid attacks, with what it does. Common practice; the maker's resistance list decides. */
const ATTACKS: Readonly<Partial<Record<LiquidKind, Readonly<Partial<Record<Wetted, string>>>>>> = {
  hypochlorite: {
    brass: 'SH dezincifies brass in weeks',
    aluminium: 'SH eats ‹aluminum› with gas',
    steel: 'SH rusts steel at once',
    nitrile: 'SH hardens nitrile seals',
    stainless: 'SH pits stainless steel that is not rinsed',
  },
  acid: { brass: 'acid eats brass', aluminium: 'acid eats ‹aluminum› with hydrogen', steel: 'acid eats steel', nitrile: 'strong acid swells nitrile' },
  caustic: { aluminium: 'caustic dissolves ‹aluminum› with hydrogen', brass: 'caustic stains and cracks brass', fluororubber: 'caustic ages fluororubber' },
  'oxygen-bleach': { brass: 'copper makes peroxide decay', steel: 'iron makes peroxide decay', nitrile: 'peroxide hardens nitrile' },
  degreaser: { nitrile: 'solvent degreasers swell nitrile' },
  ammonia: { brass: 'ammonia cracks brass' },
};

/** What a liquid does to a wetted material, or undefined when it is usually fine. */
export const attack = (kind: LiquidKind, material: Wetted): string | undefined => ATTACKS[kind]?.[material];
