import { dirname, resolve } from 'node:path';
import { argumentsOf } from './arguments.js';
import { InputError, type Outcome, toTerminal } from './failure.js';

export const KEEPING_USAGE = `pozzo check [--data <folder>]                            look the yard's data through, change nothing
pozzo backup <file.zip> [--data <folder>]               back the yard up, while it is in use too
pozzo restore <file.zip> [--data <folder>]              bring a backup back; what is there now is kept beside it`;

export const KEEPING = ['backup', 'check', 'restore'] as const;
export type KeepingName = (typeof KEEPING)[number];
export const isKeeping = (name: string | undefined): name is KeepingName => KEEPING.includes(name as KeepingName);

/** Longest path that is looked at. */
const LONGEST = 4096;

interface Asked {
  readonly folder: string;
  readonly file: string | undefined;
}

function asked(name: KeepingName, args: readonly string[], usual: string): Asked {
  const { values, words } = argumentsOf(args, { data: { type: 'string' } });
  const data = values['data'] as string | undefined;
  const wanted = name === 'check' ? 0 : 1;
  if (words.length !== wanted) throw new InputError(wanted ? `${name} takes one zip file.` : 'check takes no file; --data names another folder.');
  const [file] = words;
  for (const path of [file, data])
    if (path !== undefined && (path === '' || path.length > LONGEST || path.includes('\0'))) throw new InputError('A path is 1 to 4096 characters.');
  if (name === 'backup' && !file.toLowerCase().endsWith('.zip')) throw new InputError(`"${file}" must end in .zip.`);
  return { folder: resolve(data ?? usual), file: file === undefined ? undefined : resolve(file) };
}

/**
 * Backs up, checks or restores a yard. Never throws: exit 0 done (a sound yard, for check), 1 told in one line, 2 internal.
 * @param usual data folder where none is named
 */
export const runKeeping = async (name: KeepingName, args: readonly string[], usual: string): Promise<Outcome> =>
  toTerminal(await ranKeeping(name, args, usual));

async function ranKeeping(name: KeepingName, args: readonly string[], usual: string): Promise<Outcome> {
  const keep = await import('@pozzo/server/keep');
  try {
    const { folder, file } = asked(name, args, usual);
    if (name === 'check') {
      const found = keep.check(folder);
      return {
        stdout: JSON.stringify(found),
        stderr: found.ok ? '' : `The yard in ${folder} is not sound: the answer says what is wrong.`,
        exit: found.ok ? 0 : 1,
      };
    }
    const done =
      name === 'backup' ? await clearedWhenStopped(dirname(file!), keep.clearPieces, () => keep.backup(folder, file!)) : await keep.restore(file!, folder);
    return { stdout: JSON.stringify(done), stderr: '', exit: 0 };
  } catch (error) {
    if (error instanceof InputError || error instanceof keep.YardError) return { stdout: '', stderr: error.message.replace(/\s*\n\s*/g, ' '), exit: 1 };
    return { stdout: '', stderr: `Pozzo failed inside: ${(error as Error).stack ?? String(error)}`, exit: 2 };
  }
}

/** A backup that is stopped by hand leaves nothing behind. */
async function clearedWhenStopped<T>(folder: string, clear: (folder: string, own: boolean) => void, work: () => Promise<T>): Promise<T> {
  const stop = (signal: NodeJS.Signals): void => {
    clear(folder, true);
    process.exit(signal === 'SIGINT' ? 130 : 143);
  };
  const signals = ['SIGINT', 'SIGTERM'] as const;
  for (const s of signals) process.once(s, stop);
  try {
    return await work();
  } finally {
    for (const s of signals) process.removeListener(s, stop);
  }
}
