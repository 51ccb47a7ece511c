export {
  ampacityOf,
  awgArea,
  copperC,
  TABLE_AIR_C,
  awgDiameter,
  cableSize,
  cablesOf,
  type Chosen,
  chooseCable,
  COPPER_OHM_M,
  FUSE_OVER,
  fuseFor,
  FUSES,
  gaugeName,
  gaugeOf,
  sizesOf,
  voltageDrop,
  warmCopper,
  wireResistance,
} from './cable.js';
export { batteryFor, peukertCurrent, peukertSeconds, RATED_S } from './battery.js';
export { type Branch, type Load, nodeVoltages } from './circuit.js';
export { CABLE_SIZES, type CableSizes, type Insulation, INSULATIONS } from './insulation.js';
