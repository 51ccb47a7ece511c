// Watches everything: the core and server are rebuilt and restarted, the web application is served on 4200.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { buildNode, install, root } from './steps.mjs';

install();
buildNode();
const start = (command, args, cwd = root, env = {}) =>
  spawn(command, args, { cwd, stdio: ['ignore', 'inherit', 'inherit'], env: { ...process.env, NG_CLI_ANALYTICS: 'false', ...env } });
const all = [
  start(process.execPath, ['node_modules/typescript/bin/tsc', '-b', 'core', 'server', 'cli', '--watch', '--preserveWatchOutput']),
  start(process.execPath, ['--watch', 'server/dist/main.js'], root, { POZZO_DEMO: '1', POZZO_LOG: 'warn' }),
  start(process.execPath, [join(root, 'node_modules/@angular/cli/bin/ng.js'), 'serve'], join(root, 'web')),
];
const stop = () => all.forEach((p) => p.kill());
process.on('SIGINT', stop);
process.on('SIGTERM', stop);
