/** Every value at the end of a path through objects and arrays, with its path: `reels.0.width`. */
export function* leaves(at: unknown, path = ''): Generator<readonly [path: string, value: unknown]> {
  if (typeof at === 'object' && at !== null) for (const [key, value] of Object.entries(at)) yield* leaves(value, path ? `${path}.${key}` : key);
  else yield [path, at];
}

/** A copy with one place changed. */
export function changed<T>(document: T, path: string, value: unknown): T {
  const copy = structuredClone(document);
  const keys = path.split('.');
  const last = keys.pop()!;
  const at = keys.reduce<Record<string, unknown>>((x, k) => x[k] as Record<string, unknown>, copy as Record<string, unknown>);
  at[last] = value;
  return copy;
}

/** Paths of every number in a value that is none (NaN). */
export const holes = (at: unknown, path: string): string[] => [...leaves(at, path)].filter(([, value]) => Number.isNaN(value)).map(([p]) => p);
