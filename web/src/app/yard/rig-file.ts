import { readRig, type RigDocument } from '@pozzo/core';

/** Largest file that is looked into, bytes. A rig with all its options takes a twentieth of this. */
const LARGEST = 5_000_000;
/** Most problems told of one file. */
const MOST_TOLD = 6;

export type RigFile =
  | { readonly ok: true; readonly name: string; readonly document: RigDocument }
  | { readonly ok: false; readonly name: string; readonly problems: readonly string[] };

/** Reads a rig file that a person picked or dropped. Never throws: what is wrong is told field by field. */
export async function readRigFile(file: Pick<File, 'name' | 'size' | 'text'>): Promise<RigFile> {
  const refuse = (...problems: string[]): RigFile => ({ ok: false, name: file.name, problems });
  if (file.size > LARGEST) return refuse(`It is larger than ${LARGEST / 1e6} MB: no rig file is.`);
  let data: unknown;
  try {
    data = JSON.parse(await file.text());
  } catch {
    return refuse('It is not JSON. A rig file ends in .json and comes from “Rig file” in a build’s menu or from the command line.');
  }
  const read = readRig(data);
  if (read.ok) return { ok: true, name: file.name, document: read.document };
  // A sentence that names its field says it once.
  const told = read.problems.slice(0, MOST_TOLD).map((p) => (!p.path || p.message.startsWith(`"${p.path}"`) ? p.message : `${p.path}: ${p.message}`));
  const more = read.problems.length - told.length;
  return refuse(...told, ...(more > 0 ? [`And ${more} more.`] : []));
}
