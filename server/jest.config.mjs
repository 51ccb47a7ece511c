import { onNode } from '../tools/jest.mjs';

export default onNode();
