import { COMMON_EQUATIONS } from '../working/equation.js';
import { AIR_EQUATIONS } from './air/equations.js';
import { BUFFER_EQUATIONS } from './buffer/equations.js';
import { BYPASS_EQUATIONS } from './bypass/equations.js';
import { CIRCUIT_EQUATIONS } from './circuit/equations.js';
import { DRAIN_EQUATIONS } from './drain/equations.js';
import { FEED_EQUATIONS } from './feed/equations.js';
import { FILL_EQUATIONS } from './fill/equations.js';
import { FUEL_EQUATIONS } from './fuel/equations.js';
import { HEAT_EQUATIONS } from './heat/equations.js';
import { LIQUID_EQUATIONS } from './liquid/equations.js';
import { MIX_EQUATIONS } from './mix/equations.js';
import { PLAN_EQUATIONS } from './plan/equations.js';
import { PRESSURE_EQUATIONS } from './pressure/equations.js';
import { PURE_WATER_EQUATIONS } from './pure-water/equations.js';
import { REEL_EQUATIONS } from './reel/equations.js';
import { SOFT_PUMP_EQUATIONS } from './soft-pump/equations.js';
import { TRANSFER_EQUATIONS } from './transfer/equations.js';
import { WEIGHT_EQUATIONS } from './weight/equations.js';
import { WINTER_EQUATIONS } from './winter/equations.js';

/** Every equation that a figure may name: each subject has its own. */
export const EQUATIONS = {
  ...COMMON_EQUATIONS,
  ...PRESSURE_EQUATIONS,
  ...BYPASS_EQUATIONS,
  ...BUFFER_EQUATIONS,
  ...FILL_EQUATIONS,
  ...FEED_EQUATIONS,
  ...REEL_EQUATIONS,
  ...DRAIN_EQUATIONS,
  ...WEIGHT_EQUATIONS,
  ...PLAN_EQUATIONS,
  ...CIRCUIT_EQUATIONS,
  ...WINTER_EQUATIONS,
  ...FUEL_EQUATIONS,
  ...HEAT_EQUATIONS,
  ...AIR_EQUATIONS,
  ...SOFT_PUMP_EQUATIONS,
  ...TRANSFER_EQUATIONS,
  ...MIX_EQUATIONS,
  ...LIQUID_EQUATIONS,
  ...PURE_WATER_EQUATIONS,
} as const;

declare module '../working/figure.js' {
  // eslint-disable-next-line @typescript-eslint/no-empty-object-type -- its members are the equations
  interface EquationNames extends Readonly<Record<keyof typeof EQUATIONS, true>> {}
}
export type { EquationId } from '../working/figure.js';
