import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { buildNode, buildWeb, install, root } from './steps.mjs';

install();
buildNode();
buildWeb();
const server = spawn(process.execPath, [join(root, 'server/dist/main.js')], { stdio: 'inherit', env: { POZZO_LOG: 'warn', ...process.env, POZZO_DEMO: '1' } });
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
