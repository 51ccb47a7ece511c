import { run } from './commands.js';

const outcome = run(process.argv.slice(2));
if (outcome.stdout) process.stdout.write(`${outcome.stdout}\n`);
if (outcome.stderr) process.stderr.write(`${outcome.stderr}\n`);
process.exitCode = outcome.exit;
