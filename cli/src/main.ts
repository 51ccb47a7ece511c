import { dirname, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { setReaderLocale } from '@pozzo/core';
import { run } from './commands.js';
import { spellAnswer } from './files.js';
import { InputError, type Outcome } from './failure.js';
import { isKeeping, runKeeping } from './keeping.js';
import { readerOf } from './reader.js';

const usual = process.env['POZZO_DATA']?.trim() || resolve(dirname(fileURLToPath(import.meta.url)), '../../.pozzo');
async function ran(): Promise<Outcome> {
  try {
    const { locale, args } = readerOf(process.argv.slice(2), process.env);
    setReaderLocale(locale);
    const [name, ...rest] = args;
    const { stdout, stderr, exit } = isKeeping(name) ? await runKeeping(name, rest, usual) : run(args);
    // A rig file is what somebody typed; all else is said.
    return { stdout: name === 'layout' ? stdout : spellAnswer(stdout), stderr: spellAnswer(stderr), exit };
  } catch (error) {
    if (error instanceof InputError) return { stdout: '', stderr: spellAnswer(error.message), exit: 1 };
    throw error;
  }
}
const outcome = await ran();
if (outcome.stdout) process.stdout.write(`${outcome.stdout}\n`);
if (outcome.stderr) process.stderr.write(`${outcome.stderr}\n`);
process.exitCode = outcome.exit;
