import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { buildNode, install, root } from './steps.mjs';

// The command's answer is all that may be printed: whatever it takes to get there speaks on the error stream.
const log = console.log;
console.log = console.error;
if (!existsSync(join(root, 'node_modules/typescript'))) install();
buildNode();
console.log = log;
await import('../cli/dist/main.js');
