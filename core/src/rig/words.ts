import type { LineDocument, RigDocument } from './schema.js';
import { THINGS } from './thing/index.js';

/** The thing at a line's end by its name, as a builder calls it; its kind where it has none. */
export function endWords(doc: RigDocument, end: LineDocument['from']): string {
  if (end.at === 'open') return 'the open air';
  const { list, word } = THINGS[end.at];
  return (doc[list] as readonly { readonly id: string; readonly name: string }[] | undefined)?.find((x) => x.id === end.id)?.name ?? word;
}

/** A line by its name, or by what it does: "feed line to Washer A". Ids are for files, not for people. */
export const lineWords = (doc: RigDocument, line: LineDocument): string =>
  line.name ?? `${line.role} line ${line.to.at === 'open' ? `of ${endWords(doc, line.from)}` : `to ${endWords(doc, line.to)}`}`;
