// What is worth asking once in a while and takes too long for every day: many more random rigs. Then the whole soak.
import { join } from 'node:path';
import { install, root, run } from './steps.mjs';

install();
run(process.execPath, [join(root, 'node_modules/jest/bin/jest.js'), 'src/extremes', 'src/assess/again', '--maxWorkers=2'], {
  cwd: join(root, 'core'),
  env: { POZZO_LONG: '1' },
});
run(process.execPath, [join(root, 'tools/soak.mjs')]);
