import { supplyCautions } from './cautions.js';
import type { Subject } from '../subject.js';
import { supplyFindings } from './findings.js';
import { SUPPLY_KINDS, type SupplyCode } from './kinds.js';

/** Whether what drives a pump is there at all. */
export const SUPPLY: Subject<object, object, SupplyCode> = {
  name: 'supply',
  scale: 'feeding',
  kinds: SUPPLY_KINDS,
  reads: ({ rig }) => [
    rig.mains,
    rig.assumptions,
    rig.batteries.length,
    ...rig.gear,
    ...rig.compressors,
    ...rig.machines,
    ...rig.softPumps,
    ...rig.boosters,
    ...rig.mixes,
  ],
  assess: () => ({}),
  findings: ({ rig, values }) => supplyFindings(rig, values),
  cautions: supplyCautions,
};
