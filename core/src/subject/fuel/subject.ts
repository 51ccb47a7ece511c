import { fuelCautions } from './cautions.js';
import type { Subject } from '../subject.js';
import { fuelFindings } from './findings.js';
import { assessFuel } from './fuel.js';
import { FUEL_KINDS_OF_FINDING, type FuelCode } from './kinds.js';
import type { FuelAnswers } from './result.js';

/** Fuel tanks, and whether fuel gets to what burns it. */
export const FUEL: Subject<FuelAnswers, object, FuelCode> = {
  name: 'fuel',
  scale: 'feeding',
  kinds: FUEL_KINDS_OF_FINDING,
  reads: ['assumptions', 'deck', 'fuelTanks', 'fuelLines', 'machines', 'softPumps', 'compressors', 'burners', 'gear', 'batteries'],
  assess: ({ rig, values }) => ({ fuel: assessFuel(rig, values) }),
  findings: ({ rig, values }, { fuel }) => fuelFindings(rig, fuel, values),
  rests: (_rig, { fuel }) => [
    ...(fuel.engines.some((e) => e.carburettorAssumed) ? (['carburettor-height'] as const) : []),
    ...(fuel.tanks.length ? (['fuel-heel', 'fuel-reserve', 'fuel-stranded'] as const) : []),
    ...(fuel.engines.some((e) => e.headFull) ? (['fuel-slope'] as const) : []),
    ...(fuel.engines.length ? (['fuel-pump-from'] as const) : []),
    ...(fuel.engines.some((e) => e.lengthM !== undefined && !e.asLaid) ? (['wire-length'] as const) : []),
    ...(fuel.engines.some((e) => e.asLaid) ? (['wire-slack'] as const) : []),
    ...(fuel.engines.some((e) => e.headFull && (e.lift === 'engine' || e.lift === 'pulse')) ? (['fuel-pump-lift'] as const) : []),
    ...(fuel.engines.some((e) => e.headFull && e.lift === 'electric') ? (['fuel-electric-lift'] as const) : []),
  ],
  cautions: fuelCautions,
};
