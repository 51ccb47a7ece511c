import { MIX_WAYS, type MixWay, WASH_SURFACE_NAMES, WASH_SURFACES } from '@pozzo/core';

export const WAY_NAMES: Readonly<Record<MixWay, string>> = {
  batch: 'Batch',
  'draw-stick': 'Draw stick',
  proportioner: 'Proportioner',
  downstream: 'Downstream',
  nozzle: 'At the gun',
};
export const WAY_OPTIONS = MIX_WAYS.map((value) => ({ value, name: WAY_NAMES[value] }));
export const SURFACE_OPTIONS = WASH_SURFACES.map((value) => ({ value, name: WASH_SURFACE_NAMES[value] }));
