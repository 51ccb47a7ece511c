import { POUND } from '../quantity/dimension.js';
import type { Platform } from '../rig/schema.js';

/** Dollars for a pound of what a platform may weigh: workshop estimates of used vehicles and new trailers. */
const A_POUND: Readonly<Record<Platform['kind'], number>> = { trailer: 0.62, skid: 0.12, truck: 1.9, van: 2.6, 'box-body': 1.9 };

/** Price of a platform, $. Estimate. A skid's bed is there already: its frame alone is counted. */
export const platformPrice = ({ kind, gvwr, headroom }: Pick<Platform, 'kind' | 'gvwr' | 'headroom'>): number =>
  A_POUND[kind] * (kind === 'trailer' && headroom !== undefined ? 1.4 : 1) * (gvwr / POUND);
