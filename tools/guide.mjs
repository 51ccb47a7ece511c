// Writes docs/guide.md: the guide as it is kept with the page, its terms as American English has them.
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { buildNode, root } from './steps.mjs';

buildNode();
const { spell } = await import(join(root, 'core/dist/page.js'));
writeFileSync(join(root, 'docs/guide.md'), spell(readFileSync(join(root, 'web/src/app/guide/guide.md'), 'utf8'), 'en-US'));
