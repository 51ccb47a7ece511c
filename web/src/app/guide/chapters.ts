import { lexer, parser, type Token } from 'marked';
import { STATION_LIST } from '../stations/registry';

/** A chapter of the guide: what a heading stands over. */
export interface Chapter {
  /** The station that it is about, or its title as an address. */
  readonly id: string;
  readonly title: string;
  readonly depth: number;
  readonly html: string;
}

const idOf = (title: string): string =>
  STATION_LIST.find((s) => s.name === title)?.id ??
  title
    .toLowerCase()
    .replace(/^the /, '')
    .replace(/[^a-z0-9]+/g, '-');

/** The guide cut at its headings, so that each can be gone to. */
export function chaptersOf(markdown: string): readonly Chapter[] {
  const out: { id: string; title: string; depth: number; tokens: Token[] }[] = [];
  for (const t of lexer(markdown)) {
    if (t.type === 'heading' && t.depth > 1) out.push({ id: idOf(t.text as string), title: t.text as string, depth: t.depth as number, tokens: [] });
    else out.at(-1)?.tokens.push(t);
  }
  return out.map(({ tokens, ...c }) => ({ ...c, html: parser(tokens) }));
}
