import type { Cause, DaySample } from '@pozzo/core';

/** What a cause does, said of the thing that it befalls. */
export const CAUSE_WORDS: Readonly<Record<Cause, string>> = {
  water: 'runs dry',
  feed: 'starves at its inlet',
  stock: 'is used up',
  battery: 'is flat',
  fuel: 'runs out of fuel',
  air: 'is short of air',
  heat: 'runs hot in bypass',
  reach: 'does not reach the work',
};

/** What falls short, said of the days on which it does. */
const SHORT_WORDS: Readonly<Record<Cause, (name: string) => string>> = {
  water: () => 'of water',
  feed: () => 'of water',
  stock: (name) => `of ${name}`,
  battery: () => 'of battery',
  fuel: () => 'of fuel',
  air: () => 'of air',
  heat: () => 'hot in bypass',
  reach: () => 'with work out of reach',
};

/** All that runs short but water, each said once with its likeliest share of days, the likeliest first. */
export function shortOf(causes: DaySample['causes']): readonly { readonly words: string; readonly chance: number }[] {
  const out = new Map<string, number>();
  for (const c of causes) {
    if (c.cause === 'water' || c.cause === 'feed') continue;
    const words = SHORT_WORDS[c.cause](c.name);
    out.set(words, Math.max(out.get(words) ?? 0, c.chance.chance));
  }
  return [...out].map(([words, chance]) => ({ words, chance })).sort((a, b) => b.chance - a.chance);
}
