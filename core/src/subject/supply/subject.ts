import { supplyCautions } from './cautions.js';
import type { Subject } from '../subject.js';
import { supplyFindings } from './findings.js';
import { SUPPLY_KINDS, type SupplyCode } from './kinds.js';

/** Whether what drives a pump is there at all. */
export const SUPPLY: Subject<object, object, SupplyCode> = {
  name: 'supply',
  scale: 'feeding',
  kinds: SUPPLY_KINDS,
  reads: ['air', 'mains', 'batteries', 'gear', 'compressors', 'machines', 'softPumps', 'boosters', 'mixes', 'reels', 'burners', 'loads', 'placements'],
  assess: () => ({}),
  findings: ({ rig, values }) => supplyFindings(rig, values),
  rests: (rig) =>
    rig.mains?.from === 'site'
      ? ['motor-efficiency', 'mains-volts', 'mains-breaker', 'mains-hours', ...(rig.mains.lead ? (['lead-drop', 'drop-starves'] as const) : [])]
      : rig.mains
        ? ['motor-efficiency', 'motor-start', 'engine-derate']
        : [],
  cautions: supplyCautions,
};
