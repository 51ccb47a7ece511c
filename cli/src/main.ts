import { dirname, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { run } from './commands.js';
import { isKeeping, runKeeping } from './keeping.js';

const [name, ...rest] = process.argv.slice(2);
const usual = process.env['POZZO_DATA']?.trim() || resolve(dirname(fileURLToPath(import.meta.url)), '../../.pozzo');
const outcome = isKeeping(name) ? await runKeeping(name, rest, usual) : run(process.argv.slice(2));
if (outcome.stdout) process.stdout.write(`${outcome.stdout}\n`);
if (outcome.stderr) process.stderr.write(`${outcome.stderr}\n`);
process.exitCode = outcome.exit;
