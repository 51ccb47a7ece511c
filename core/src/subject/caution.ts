import type { Caution } from './finding.js';

/** Standing warnings where a condition holds. */
export const when = (holds: boolean, ...told: readonly Caution[]): readonly Caution[] => (holds ? told : []);
