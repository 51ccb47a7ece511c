import * as v from 'valibot';
import { type Read, type ReadRig, readRig } from './read.js';
import { body, type Rig, RIG_VERSION, type RigDocument } from './schema.js';
import { shareTree } from './share.js';
import { standing } from './stand.js';
import { asParsed, strayKey } from './tree.js';
import { ASKED, wiringProblems } from './wiring.js';

type Tree = Readonly<Record<string, unknown>>;
type Entry = v.GenericSchema;

const FIELDS = body as unknown as Readonly<Record<string, Entry>>;
const KNOWN: ReadonlySet<string> = new Set([...Object.keys(body), 'options']);

const isTree = (x: unknown): x is Tree => typeof x === 'object' && x !== null && !Array.isArray(x);
const isEnd = (x: unknown): x is Tree => isTree(x) && 'at' in x;

const sameIds = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.length === b.length && a.every((x, i) => (x as Tree)['id'] === (b[i] as Tree)['id']);

/** Whether a field's two values say the same to those who ask how a rig is wired. */
function wiresAlike(a: unknown, b: unknown): boolean {
  if (Array.isArray(a) && Array.isArray(b)) return sameIds(a, b);
  return Object.is(a, b) || (isEnd(a) && isEnd(b) && a['at'] === b['at'] && a['id'] === b['id']);
}

/** Whether what is asked of two trees' fields is the same. */
const askedAlike = (a: Tree, b: Tree, asked: readonly string[]): boolean => asked.every((field) => wiresAlike(a[field], b[field]));

/** The entries of a list schema, and how many there may be; undefined for what is no list. */
function listOf(schema: Entry): { readonly item: Entry; readonly most: number } | undefined {
  const inner = (schema as { wrapped?: Entry }).wrapped ?? schema;
  const pipe = (inner as { pipe?: readonly { readonly item?: Entry; readonly requirement?: number }[] }).pipe;
  const item = pipe?.[0].item;
  const most = pipe?.find((x) => typeof x.requirement === 'number')?.requirement;
  return item && most !== undefined ? { item, most } : undefined;
}
const LISTS = new Map(
  Object.entries(FIELDS).flatMap(([key, schema]) => {
    const list = listOf(schema);
    return list ? [[key, list] as const] : [];
  }),
);

/**
 * As `readRig`, and as strict; of a document that was read an edit earlier only what differs is read anew, and all that does
 * not is given back as the very objects of then.
 */
export function reread(input: unknown, before: Read | undefined): ReadRig {
  const quick = before && onlyChanged(input, before);
  return quick ?? readRig(input);
}

/** Undefined where anything is not as it was, in a way that wants the whole reading: its problems are told from there. */
function onlyChanged(input: unknown, before: Read): ReadRig | undefined {
  if (!isTree(input) || input['version'] !== RIG_VERSION) return undefined;
  const given = shareTree(before.document, input);
  if (given === (before.document as unknown as Tree)) return { ok: true, ...before };
  const document: Record<string, unknown> = {};
  const rig: Record<string, unknown> = {};
  const was = before.document as unknown as Tree;
  const wasRig = before.plain as unknown as Tree;
  let wiredAsBefore = true;
  for (const key of Object.keys(given)) {
    const value = given[key];
    if (!KNOWN.has(key)) return undefined;
    if (Object.is(value, was[key])) {
      document[key] = value;
      if (key in wasRig) rig[key] = wasRig[key];
      continue;
    }
    // Options hold whole rigs.
    if (key === 'options') return undefined;
    const list = LISTS.get(key);
    if (!list) {
      if (strayKey(value)) return undefined;
      const parsed = v.safeParse(FIELDS[key], value);
      if (!parsed.success) return undefined;
      rig[key] = parsed.output;
      document[key] = asParsed(value, parsed.output);
      const old = was[key];
      const asked = ASKED[key] as readonly string[] | undefined;
      wiredAsBefore &&= asked !== undefined && (!asked.length || (isTree(value) && isTree(old) && askedAlike(value, old, asked)));
      continue;
    }
    if (!Array.isArray(value) || value.length > list.most) return undefined;
    const then = new Map<unknown, unknown>();
    const [old, oldRig] = [was[key], wasRig[key]];
    if (Array.isArray(old) && Array.isArray(oldRig)) old.forEach((x, i) => then.set(x, oldRig[i]));
    const entries: unknown[] = [];
    const texts: unknown[] = [];
    for (const entry of value as unknown[]) {
      const known = then.get(entry);
      if (known !== undefined) {
        entries.push(known);
        texts.push(entry);
        continue;
      }
      if (strayKey(entry)) return undefined;
      const parsed = v.safeParse(list.item, entry);
      if (!parsed.success) return undefined;
      entries.push(parsed.output);
      texts.push(asParsed(entry, parsed.output));
    }
    rig[key] = entries;
    document[key] = texts;
    const asked = ASKED[key] as readonly string[] | undefined;
    wiredAsBefore &&=
      asked !== undefined &&
      Array.isArray(oldRig) &&
      entries.length === oldRig.length &&
      entries.every((x, i) => askedAlike(x as Tree, oldRig[i] as Tree, asked));
  }
  // What may be left out is then empty, as the whole reading has it.
  for (const key of Object.keys(FIELDS))
    if (!(key in given)) {
      if (!(key in was)) {
        if (key in wasRig) rig[key] = wasRig[key];
        continue;
      }
      const parsed = v.safeParse(FIELDS[key], undefined);
      if (!parsed.success) return undefined;
      wiredAsBefore = false;
      if (parsed.output !== undefined) rig[key] = parsed.output;
    }
  const read = rig as unknown as Rig;
  if (!wiredAsBefore && wiringProblems(read).length) return undefined;
  const plain = shareTree(before.plain, read);
  return { ok: true, document: shareTree(before.document, document) as unknown as RigDocument, plain, rig: shareTree(before.rig, standing(plain)) };
}
