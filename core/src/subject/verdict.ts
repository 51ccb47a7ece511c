/** In rising order of trouble. "stop" is danger, not thirst. */
export const VERDICTS = ['fed', 'tight', 'starved', 'stop'] as const;
export type Verdict = (typeof VERDICTS)[number];

/**
 * What a verdict is about, and so the words that fit it: feeding, the strength of a mix, what a thing is rated for, good
 * practice, whether it fits. Under the words stands the one scale of four.
 */
export const SCALES = ['feeding', 'strength', 'rating', 'practice', 'fit'] as const;
export type Scale = (typeof SCALES)[number];

/** The words of severity by what they are about. */
export const SEVERITY_WORDS: Readonly<Record<Scale, Readonly<Record<Verdict, string>>>> = {
  feeding: { fed: 'Fed', tight: 'Tight', starved: 'Starved', stop: 'Unsafe' },
  strength: { fed: 'On target', tight: 'Off', starved: 'Far off', stop: 'Unsafe' },
  rating: { fed: 'Within ratings', tight: 'Near limit', starved: 'Over limit', stop: 'Unsafe' },
  fit: { fed: 'Fits', tight: 'Tight fit', starved: 'Doesn’t fit', stop: 'Unsafe' },
  practice: { fed: 'OK', tight: 'Needs work', starved: 'Missing', stop: 'Unsafe' },
};

export const worse = (a: Verdict, b: Verdict): Verdict => (VERDICTS.indexOf(a) >= VERDICTS.indexOf(b) ? a : b);
export const worstOf = (all: readonly Verdict[]): Verdict => all.reduce(worse, 'fed');
