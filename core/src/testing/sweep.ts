import { assess } from '../assess/assess';
import { reassess } from '../assess/again/reassess';
import { LAYOUTS } from '../layouts/layouts';
import type { RigDocument } from '../rig/schema';
import { parseRig, quantityRule, readRig } from '../rig/read';
import { reread } from '../rig/reread';
import { parseQuantity } from '../quantity/parse';
import { changed, leaves } from './tree';
import { unlike } from './unlike';

const TELL = ['kind', 'is', 'role', 'way', 'drive', 'liquid', 'chemistry', 'use'] as const;

/** What kind of place a path is: the same for twins. */
function kindOf(document: object, path: string): string {
  let at = document as Record<string, unknown>;
  return path
    .split('.')
    .map((key) => {
      at = at[key] as Record<string, unknown>;
      if (!/^\d+$/.test(key)) return key;
      const ends = [at['from'], at['to']].map((e) => (e as { at?: string } | undefined)?.at);
      return [...TELL.map((f) => (typeof at[f] === 'string' ? at[f] : '')), ...ends].join();
    })
    .join('.');
}

/** Other values that are typed at each kind of place of the layouts: what is chosen or named there. */
const SEEN = (() => {
  const out = new Map<string, Set<unknown>>();
  for (const l of LAYOUTS)
    for (const [path, value] of leaves(JSON.parse(JSON.stringify(l.make())))) {
      const pattern = path.replace(/\d+/g, '#');
      out.set(pattern, (out.get(pattern) ?? new Set()).add(value));
    }
  return out;
})();

/** What a leaf may be instead. */
function* others(path: string, value: unknown): Generator<unknown> {
  if (typeof value === 'boolean') yield !value;
  const rule = quantityRule(path);
  if (rule && typeof value === 'string') {
    const now = parseQuantity(value, rule.dimension);
    const number = /-?[\d.]+/.exec(value)?.[0];
    if (now.ok && number && Number(number)) for (const by of [1.13, 0.83]) yield value.replace(number, String(Number((Number(number) * by).toPrecision(4))));
    yield rule.min;
    yield rule.max;
  } else if (path.endsWith('name')) yield `${String(value).slice(0, 60)} 2`;
  else for (const seen of SEEN.get(path.replace(/\d+/g, '#')) ?? []) if (seen !== value) yield seen;
}

/** Layouts of which every kind of place is swept each day; of the rest what is in neither of them. `npm run test:long` sweeps all of all. */
const WHOLE = ['crew-of-four', 'tied-tanks'];
const LONG = process.env['POZZO_LONG'] === '1';

/** Sweeps every layout, made up by `of`. @param least edits to be judged in all */
export function sweepLayouts(of: (layout: RigDocument) => RigDocument, least: number): void {
  const done = new Set<string>();
  let judged = 0;
  const rest = LAYOUTS.map((l) => l.id).filter((id) => !WHOLE.includes(id));
  test.each([...WHOLE, ...rest])('an edit of any field of %s answers as a fresh assessment does', (id) => {
    const own = LONG || WHOLE.includes(id) ? new Set<string>() : done;
    const swept = sweep(of(JSON.parse(JSON.stringify(LAYOUTS.find((l) => l.id === id)!.make())) as RigDocument), own, LONG);
    own.forEach((kind) => done.add(kind));
    expect(swept.wrong).toEqual([]);
    // Of the few places that are new in a layout none need have another value that reads.
    if (own !== done) expect(swept.judged).toBeGreaterThan(0.5 * swept.places);
    judged += swept.judged;
  });
  test('many were judged', () => {
    expect(judged).toBeGreaterThan(least);
  });
}

/**
 * Edits every leaf of a rig once, and holds each answer and finding taken up from before it to a fresh assessment.
 * @param done kinds of place that need not be edited once more; those that are come to it
 * @param twins whether two places of a kind are both edited: two hoses of a kind in lines of a role, two tanks of a liquid
 * @returns where they differ, and how many edits were judged
 */
function sweep(
  document: RigDocument,
  done: Set<string>,
  twins: boolean,
): { readonly wrong: readonly string[]; readonly judged: number; readonly places: number } {
  const read = readRig(document);
  if (!read.ok) throw new Error(read.problems[0].message);
  const before = reassess(read.rig);
  const wrong: string[] = [];
  let [judged, places] = [0, 0];
  for (const [path, value] of leaves(document)) {
    const kind = kindOf(document, path);
    if (!twins && done.has(kind)) continue;
    done.add(kind);
    places++;
    for (const other of others(path, value)) {
      const next = reread(changed(document, path, other), read);
      if (!next.ok) continue;
      const { solves: _a, ...now } = reassess(next.rig, before).assessment;
      // Of a rig read by itself, so that nothing that is kept by a thing can be met again.
      const { solves: _b, ...then } = assess(parseRig(changed(document, path, other)));
      wrong.push(...unlike(now, then, `${path} ${String(value)} → ${String(other)}`));
      judged++;
      break;
    }
  }
  return { wrong, judged, places };
}
