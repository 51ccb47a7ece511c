export { ARRANGE_WAYS, type Arrangement, arrangeSteps, type ArrangeWay } from './arrange.js';
export { makeRoom } from './make-room.js';
