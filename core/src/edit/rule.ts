import { nextBore } from '../catalogue/hose-sizes.js';
import type { Assessment } from '../assess/assessment.js';
import type { Finding } from '../subject/finding.js';
import { resize } from '../catalogue/items.js';
import { type Dimension, findUnit, fromSi } from '../quantity/dimension.js';
import { formatInches, typeableQuantity } from '../quantity/format.js';
import { parseQuantity, si } from '../quantity/parse.js';
import type { LineDocument, PartDocument, Rig, RigDocument } from '../rig/schema.js';

/** A change worth trying: told in words, done on a draft of the document. */
export interface Candidate {
  readonly id: string;
  readonly title: string;
  readonly change: (draft: RigDocument) => void;
}

export type Rule = (finding: Finding, rig: Rig, doc: RigDocument, now: Assessment) => Candidate[];

export const lineAt = (doc: RigDocument, id: string): LineDocument => doc.lines.find((l) => l.id === id)!;

export const m = (text: string): number => si(text, 'length');

/** Keeps the unit that the builder used for a length. */
export const like = (text: string, metres: number): string => {
  const read = parseQuantity(text, 'length');
  const unit = read.ok ? (/ft.*in|'.*"/.test(text) ? 'in' : read.unit) : 'in';
  return typeableQuantity(metres, 'length', unit, 3);
};

/** The next size that is sold, as typed: `125 gal` for 123.4 gal in steps of 5. */
export const nextSize = (value: number, dimension: Dimension, unit: string, step: number): string =>
  `${Number((Math.ceil(fromSi(value, findUnit(dimension, unit)!) / step - 1e-9) * step).toPrecision(12))} ${unit}`;

export const inches = formatInches;

export const ascii = (metres: number): string => inches(metres).replace(/[\u202f\u00a0]/g, ' ');

/** The part in a bore at least as wide as wanted, or the widest there is. */
export function upTo(part: PartDocument, boreM: number): PartDocument | undefined {
  let now: PartDocument | undefined = part;
  let last: PartDocument | undefined;
  while (now && m(now.bore) < boreM * 0.98) {
    now = sizeUp(now);
    last = now ?? last;
  }
  return last;
}

/** The same kind of part one size up, off the shelf; undefined at the end of the shelf. */
export function sizeUp(part: PartDocument): PartDocument | undefined {
  const bore = nextBore(m(part.bore));
  if (!bore) return undefined;
  const resized = resize(part, ascii(bore));
  return part.kind === 'hose' || resized.item ? resized : undefined;
}

export function eachPart(draft: RigDocument, lineIds: readonly string[], change: (part: PartDocument) => PartDocument | undefined): void {
  for (const id of lineIds) {
    const line = lineAt(draft, id);
    line.parts = line.parts.map((p) => change(p) ?? p);
  }
}

export const structuredCopy = <T>(x: T): T => JSON.parse(JSON.stringify(x)) as T;

/** A document changed in a copy of its own; the one given stays as it is. */
export function changed(doc: RigDocument, change: (draft: RigDocument) => void): RigDocument {
  const copy = structuredCopy(doc);
  change(copy);
  return copy;
}

/** An id not yet used in the document, made from a stem. */
export function unusedId(d: RigDocument, stem: string): string {
  const chemical = [...(d.liquids ?? []), ...(d.softPumps ?? []), ...(d.sprayers ?? []), ...(d.mixes ?? [])];
  const water = [...d.spigots, ...d.tanks, ...d.manifolds, ...d.boosters, ...d.machines, ...d.outlets, ...d.lines, ...(d.reels ?? [])];
  const used = new Set([...water, ...chemical].map((x) => x.id));
  const base = stem.slice(0, 34);
  if (!used.has(base)) return base;
  for (let i = 2; ; i++) if (!used.has(`${base}-${i}`)) return `${base}-${i}`;
}
