/** Where two trees differ by more than the solver's tolerance, four places at most. */
export function unlike(a: unknown, b: unknown, name = 'assessment'): string[] {
  const out: string[] = [];
  off(a, b, [name], out);
  return out;
}

/** @param keys the way to both; put into words only where they differ, for there are thousands of places */
function off(a: unknown, b: unknown, keys: string[], out: string[]): void {
  if (out.length > 3 || Object.is(a, b)) return;
  if (typeof a === 'object' && typeof b === 'object' && a && b) {
    for (const k in a) {
      keys.push(k);
      off((a as never)[k], (b as never)[k], keys, out);
      keys.pop();
    }
    for (const k in b) if (!(k in a) && (b as never)[k] !== undefined) out.push(`${keys.join('.')}.${k}: is not there`);
    return;
  }
  const path = keys.join('.');
  if (typeof a !== 'number' || typeof b !== 'number') return void out.push(`${path}: ${JSON.stringify(a)} is not ${JSON.stringify(b)}`);
  // A flow that is searched for is found to 2 parts in 10 000.
  const most = path.endsWith('mostFlowM3s') ? 1e-3 : 1e-6;
  // What is left where nothing flows: flows balance within 5e-9 m³/s, and no gun works by half a pascal.
  const least = /pa\b|pressure/i.test(path) ? 0.5 : /flow/i.test(path) ? 5e-9 : 1e-9;
  if (!(Math.abs(a - b) <= most * Math.max(Math.abs(a), Math.abs(b)) + least)) out.push(`${path}: ${a} is not ${b}`);
}
