/** Where things stand on the waterway, in its own units. */
export const WATERWAY_WIDTH = 1280;
export const TANK_X = 336;
export const TANK_W = 124;
export const MIX_X = 548;
export const MACHINE_X = 694;
export const REEL_X = 906;
export const GUN_X = 1098;
