// Writes docs/checks.md: every figure that is held against one from outside, with its source.
import { join } from 'node:path';
import { install, root, run } from './steps.mjs';

install();
run(process.execPath, [join(root, 'node_modules/jest/bin/jest.js'), 'src/outside'], { cwd: join(root, 'core'), env: { WRITE_CHECKS: '1' } });
