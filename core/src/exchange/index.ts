export * from './http.js';
export * from './records.js';
export { readInp, type InpNetwork, type InpProblem, type ReadInp } from './inp-read.js';
export { inpNetwork, type InpSolution, solveInp } from './inp-solve.js';
export { writeInp } from './inp-write.js';
export { blendInp, rigInp } from './rig-inp.js';
