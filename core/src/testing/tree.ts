/** Every value at the end of a path through objects and arrays, with its path: `reels.0.width`. */
export function* leaves(at: unknown, path = ''): Generator<readonly [path: string, value: unknown]> {
  if (typeof at === 'object' && at !== null) for (const [key, value] of Object.entries(at)) yield* leaves(value, path ? `${path}.${key}` : key);
  else yield [path, at];
}

/** A copy with one place changed; all that is not on the way to it is shared. */
export function changed<T>(document: T, path: string, value: unknown): T {
  const change = (at: unknown, [key, ...rest]: readonly string[]): unknown => {
    const copy = Array.isArray(at) ? ([...at] as unknown as Record<string, unknown>) : { ...(at as Record<string, unknown>) };
    copy[key] = rest.length ? change(copy[key], rest) : value;
    return copy;
  };
  return change(document, path.split('.')) as T;
}

/** Paths of every number in a value that is none (NaN). */
export function holes(at: unknown, path: string): string[] {
  const out: string[] = [];
  const look = (x: unknown, keys: string[]): void => {
    if (typeof x === 'number') {
      if (Number.isNaN(x)) out.push(keys.filter(Boolean).join('.'));
    } else if (typeof x === 'object' && x !== null)
      for (const k in x) {
        keys.push(k);
        look((x as Record<string, unknown>)[k], keys);
        keys.pop();
      }
  };
  look(at, [path]);
  return out;
}
