/** In rising order of trouble. "stop" is danger, not thirst. */
export const VERDICTS = ['fed', 'tight', 'starved', 'stop'] as const;
export type Verdict = (typeof VERDICTS)[number];

export const worse = (a: Verdict, b: Verdict): Verdict => (VERDICTS.indexOf(a) >= VERDICTS.indexOf(b) ? a : b);
export const worstOf = (all: readonly Verdict[]): Verdict => all.reduce(worse, 'fed');
