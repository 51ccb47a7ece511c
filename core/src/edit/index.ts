export { addBooster } from './booster.js';
export { addDump } from './dump.js';
export {
  addBattery,
  addBurner,
  addCharger,
  addCompressor,
  addFuelTank,
  addLoad,
  addPanel,
  addReceiver,
  lineAir,
  lineFuel,
  removeEnergy,
  wireFrom,
} from './energy.js';
export * from './feed.js';
export { addFill, removeFill } from './fill.js';
export { addFree, addRiding, addWheelBoxes, removeFree, removeRiding, setDoor } from './platform.js';
export { addTap, removeTap } from './hand-tap.js';
export { addTransfer, removeTransfer, transfersOf } from './transfer.js';
export { growTank } from './grow-tank.js';
export { addGun, joinGuns, removeGun, splitGun } from './gun.js';
export { nextAmong, unusedId } from './id.js';
export { addLiquid, changeKind, inUse, removeLiquid } from './liquid.js';
export { addMachine, joinInto, removeMachine } from './machine.js';
export { addMix, removeMix, soapOf } from './mix.js';
export { convertMix, convertPump, washSurface } from './mix-way.js';
export { buildOption, dropOption, keepOption, withoutOptions } from './option.js';
export { hasStep, START_STEPS, type StartStep, takeStep } from './start.js';
export { sizeUp } from './part.js';
export { addPlates, withoutPlate } from './plate.js';
export {
  addGear,
  dropPlatform,
  LAID_SLACK,
  layHoses,
  layLine,
  moveThing,
  placeAnywhere,
  placeOf,
  placeThing,
  removeGear,
  setPlatform,
  swapThings,
  turnThing,
  unplace,
} from './place.js';
export { addReel, addSite } from './reel.js';
export { returnTo } from './return.js';
export { reshapeTank, sizeTank, useTankSize, volumeOf } from './size-tank.js';
export { addTank, changeLiquid, changeShape, removeTank } from './tank.js';
export { splitTank } from './split-tank.js';
