import { THINGS } from './thing/index.js';

/** A place where two documents differ, in words: what it belongs to, which field, and what stands there in each. */
export interface Difference {
  /** The thing by its name, such as "Buffer tank", with the line it is a part of; empty for the build itself. */
  readonly thing: string;
  /** The field in words, such as "full level"; empty where a whole thing is there in one only. */
  readonly field: string;
  /** Dotted path into the later document. */
  readonly path: string;
  /** Empty where it is not there. */
  readonly before: string;
  readonly after: string;
}

type Tree = Record<string, unknown>;
const isTree = (x: unknown): x is Tree => typeof x === 'object' && x !== null;

const LIST_WORD: Readonly<Record<string, string>> = {
  ...Object.fromEntries(Object.values(THINGS).map((k) => [k.list, k.word])),
  lines: 'line',
  parts: 'part',
  jobs: 'job',
  phases: 'phase',
  refills: 'refill place',
  options: 'option',
  readings: 'reading',
  washes: 'wash',
};

/** `fullLevel` as "full level", `brief.day.tolerance` as "brief, day, tolerance". */
const fieldWords = (keys: readonly string[]): string =>
  keys
    .map((k) =>
      /^\d+$/.test(k) ? `${Number(k) + 1}` : k.replace(/[-_]/g, ' ').replace(/([a-z])([A-Z])/g, (_m, a: string, b: string) => `${a} ${b.toLowerCase()}`),
    )
    .join(', ');

const nameOf = (x: Tree, list: string): string => {
  if (typeof x['name'] === 'string' && x['name']) return x['name'];
  if (typeof x['role'] === 'string') return `${x['role']} line`;
  return typeof x['kind'] === 'string' ? x['kind'] : (LIST_WORD[list] ?? 'entry');
};

/** A text as it is shown beside another; a picture, which is a data URL, by how large it is. */
const shown = (x: string): string => (x.startsWith('data:image/') ? `a picture of ${Math.round((x.length * 3) / 4)} bytes` : x);

/**
 * Where two documents differ, down to single fields. Things in lists are matched by their id, so that moving one changes
 * nothing and removing one is told as that. Stops after `most` differences.
 */
export function differences(before: unknown, after: unknown, most = 1000): Difference[] {
  const out: Difference[] = [];
  const tell = (thing: string, keys: readonly string[], path: string, a: unknown, b: unknown): void => {
    const text = (x: unknown): string => (x === undefined ? '' : isTree(x) ? nameOf(x, '') : typeof x === 'string' ? shown(x) : JSON.stringify(x));
    out.push({ thing, field: fieldWords(keys), path, before: text(a), after: text(b) });
  };
  const walk = (a: unknown, b: unknown, path: readonly string[], thing: string, keys: readonly string[]): void => {
    if (Object.is(a, b) || out.length >= most) return;
    if (isTree(a) && isTree(b) && Array.isArray(a) === Array.isArray(b)) {
      if (Array.isArray(a) && Array.isArray(b) && [...a, ...b].every((x) => isTree(x) && typeof x['id'] === 'string'))
        return lists(a as Tree[], b as Tree[], path, thing);
      for (const k of new Set([...Object.keys(a), ...Object.keys(b)])) walk(a[k], b[k], [...path, k], thing, [...keys, k]);
      return;
    }
    tell(thing, keys, path.join('.'), a, b);
  };
  const lists = (a: readonly Tree[], b: readonly Tree[], path: readonly string[], thing: string): void => {
    const list = path[path.length - 1] ?? '';
    const full = (x: Tree): string => (thing ? `${thing}: ${nameOf(x, list)}` : nameOf(x, list));
    const then = new Map(a.map((x) => [x['id'], x]));
    const now = new Map(b.map((x) => [x['id'], x]));
    b.forEach((x, i) => {
      const old = then.get(x['id']);
      if (old) walk(old, x, [...path, String(i)], full(x), []);
      else if (out.length < most) out.push({ thing: full(x), field: '', path: [...path, String(i)].join('.'), before: '', after: LIST_WORD[list] ?? 'entry' });
    });
    a.forEach((x, i) => {
      if (!now.has(x['id']) && out.length < most)
        out.push({ thing: full(x), field: '', path: [...path, String(i)].join('.'), before: LIST_WORD[list] ?? 'entry', after: '' });
    });
    const kept = a.filter((x) => now.has(x['id'])).map((x) => x['id']);
    const order = b.filter((x) => then.has(x['id'])).map((x) => x['id']);
    if (kept.some((id, i) => id !== order[i]) && out.length < most)
      out.push({ thing, field: `order of ${fieldWords([list])}`, path: path.join('.'), before: '', after: 'changed' });
  };
  walk(before, after, [], '', []);
  return out;
}

/**
 * A dotted path of a document in words, things by their names: `tanks.0.shape.height` as "Buffer tank, shape, height". What
 * has no name is told by its place: "tank 2, base".
 */
export function placeWords(document: unknown, path: string): string {
  const out: string[] = [];
  let at: unknown = document;
  let field: string[] = [];
  let list = '';
  for (const key of path.split('.')) {
    const next = isTree(at) ? at[key] : undefined;
    if (Array.isArray(at) && /^\d+$/.test(key)) {
      const named = isTree(next) && typeof next['name'] === 'string' && next['name'] ? next['name'] : undefined;
      out.push(named ?? `${LIST_WORD[list] ?? fieldWords([list])} ${Number(key) + 1}`);
      field = [];
    } else field.push(key);
    list = key;
    at = next;
  }
  return [...out, ...(field.length ? [fieldWords(field)] : [])].join(', ');
}

/** Long texts (notes) are cut. */
const short = (text: string): string => (text.length > 60 ? `${text.slice(0, 57)}…` : text);

/** One difference as a sentence: "Buffer tank, full level: 18 in → 27 in". */
export function differenceWords(d: Difference): string {
  if (d.field === '') return d.after ? `${short(d.thing)} added (${d.after})` : `${short(d.thing)} taken away (${d.before})`;
  const where = [short(d.thing), d.field].filter(Boolean).join(', ');
  if (d.before === '' && d.after === 'changed') return `${where} changed`;
  if (d.before === '') return `${where}: ${short(d.after)}`;
  if (d.after === '') return `${where}: ${short(d.before)} taken away`;
  return `${where}: ${short(d.before)} → ${short(d.after)}`;
}

/** What changed between a version and the one before it that is kept. */
export interface ChangeLine {
  readonly changed: readonly string[];
  /** How many changes more than are told. */
  readonly more: number;
}

/**
 * What changed from each document text to the one after it in the list (newest first); the last text is only compared
 * against. A text that is no JSON is told as that.
 */
export function changeLines(texts: readonly string[], most: number): ChangeLine[] {
  const documents = texts.map((t): unknown => {
    try {
      return JSON.parse(t) as unknown;
    } catch {
      return undefined;
    }
  });
  return documents.slice(0, -1).map((now, i) => {
    const before = documents[i + 1];
    if (now === undefined) return { changed: ['The record of this version is damaged.'], more: 0 };
    if (before === undefined) return { changed: ['The version before it is damaged.'], more: 0 };
    const all = differences(before, now);
    return { changed: all.slice(0, most).map(differenceWords), more: Math.max(0, all.length - most) };
  });
}
