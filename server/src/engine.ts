import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/** Names what reckons, by what it is made of: any change of the core's code gives another name. */
export function engineName(folder: string): string {
  const hash = createHash('sha256');
  const files = (at: string): string[] =>
    readdirSync(at, { withFileTypes: true }).flatMap((e) => (e.isDirectory() ? files(join(at, e.name)) : e.name.endsWith('.js') ? [join(at, e.name)] : []));
  for (const file of files(folder).sort()) hash.update(readFileSync(file));
  return hash.digest('hex').slice(0, 16);
}
