import { spell } from '@pozzo/core/page';
import { MOST_DOCUMENT_BYTES, placeWords, readRig } from '@pozzo/core';
import { refuse, type RigFile } from './picked-file';

/** Most problems told of one file. */
const MOST_TOLD = 6;

/** Where a text stops being JSON, as far as the browser tells: the line, or that it ends before it is whole. */
function notJson(text: string, error: unknown): string {
  const said = error instanceof Error ? error.message : '';
  const at = /position (\d+)/.exec(said);
  const line = /line (\d+)/.exec(said);
  const early = /end of (JSON|data|input)/i.test(said) || (at !== null && Number(at[1]) >= text.trimEnd().length);
  if (!text.trim()) return 'It is empty.';
  if (early) return `File is cut off at line ${text.trimEnd().split('\n').length}.`;
  const number = line ? Number(line[1]) : at ? text.slice(0, Number(at[1])).split('\n').length : undefined;
  return number === undefined ? 'It is not JSON.' : `It is not JSON: line ${number} cannot be read.`;
}

/** Reads the text of a rig file. Never throws: what is wrong is told field by field. */
export function readRigText(name: string, text: string): RigFile {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch (error) {
    return refuse(name, notJson(text, error), 'A rig file ends in .json and comes from “Rig file” in a build’s menu or from the command line.');
  }
  const read = readRig(data);
  if (read.ok) {
    if (JSON.stringify(read.document).length > MOST_DOCUMENT_BYTES)
      return refuse(name, `It holds more than ${MOST_DOCUMENT_BYTES / 1e6} MB: more than is stored of one build.`);
    return { ok: true, name, document: read.document };
  }
  // A sentence that names its field says it once.
  const told = read.problems
    .slice(0, MOST_TOLD)
    .map((p) => ({ ...p, message: spell(p.message) }))
    .map((p) => (!p.path || p.message.startsWith(`"${p.path}"`) ? p.message : `${placeWords(data, p.path)}: ${p.message}`));
  const more = read.problems.length - told.length;
  return refuse(name, ...told, ...(more > 0 ? [`And ${more} more.`] : []));
}
