import { CREW, PHASE_KINDS, type PhaseKind, spraysMix } from '@pozzo/core';

export const PHASE_NAMES: Readonly<Record<PhaseKind, string>> = {
  drive: 'Drive',
  refill: 'Refill',
  connect: 'Connect',
  fill: 'Fill',
  'pre-wet': 'Pre-wet',
  'pre-treat': 'Treat before',
  mix: 'Apply mix',
  dwell: 'Dwell',
  wash: 'Wash',
  'surface-clean': 'Surface-clean',
  rinse: 'Rinse',
  'post-treat': 'Treat after',
  move: 'Move on',
  dump: 'Dump',
  break: 'Break',
};
/** Names of icons in the face that ships with the application. */
export const PHASE_ICONS: Readonly<Record<PhaseKind, string>> = {
  drive: 'local_shipping',
  refill: 'opacity',
  connect: 'link',
  fill: 'vertical_align_top',
  'pre-wet': 'grain',
  'pre-treat': 'science',
  mix: 'science',
  dwell: 'hourglass_empty',
  wash: 'shower',
  'surface-clean': 'cleaning_services',
  rinse: 'waves',
  'post-treat': 'science',
  move: 'directions_walk',
  dump: 'vertical_align_bottom',
  break: 'free_breakfast',
};
export const PHASE_OPTIONS = PHASE_KINDS.map((value) => ({ value, name: PHASE_NAMES[value] }));
export const CREW_OPTIONS = CREW.map((value) => ({ value, name: value === 'all' ? 'Everybody' : `Crew ${value}` }));

/** What a phase is drawn as: water work, chemical work, or neither. */
export function paintOf(kind: PhaseKind): 'water' | 'chem' | 'plain' {
  if (spraysMix(kind)) return 'chem';
  return kind === 'wash' || kind === 'surface-clean' || kind === 'rinse' || kind === 'pre-wet' || kind === 'refill' || kind === 'fill' ? 'water' : 'plain';
}
