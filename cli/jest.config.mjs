import { onNode } from '../tools/jest.mjs';

export default onNode({ '^@pozzo/server/keep$': '<rootDir>/../server/src/keep/index.ts' });
