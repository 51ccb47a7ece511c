export { powerUp, derateOf, idleShare, densityOf, type EngineKind, type EngineOn, enginesOn, rateOf } from './engines.js';
export { burnsMost, type Drink, fuelMass, type FuelSupply, fuelSupply, type Store } from './fuel-supply.js';
export { builtOhms, type Cable, cableFor, insulationOf, Lengths, type LoadOn, type LoadPart, loadsOn, mayBeDim, voltsOf, wireTo } from './wiring.js';
export { type Bank, bankOf, drawTogether, hardDraw } from './charge.js';
export { airLineOf, compressorOf, cutInOf, cutOutOf, receiversOf } from './air-supply.js';
export { cordCarries, generatorGives, generatorNeeds, type Socket, socketOf, generatorOf, type MainsLoad, mainsLoads } from './mains.js';
