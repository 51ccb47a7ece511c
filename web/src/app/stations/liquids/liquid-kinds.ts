import type { LiquidDocument } from '@pozzo/core';

export const KIND_OPTIONS: readonly { value: LiquidDocument['kind']; name: string }[] = [
  { value: 'hypochlorite', name: 'SH' },
  { value: 'soap', name: 'Soap' },
  { value: 'oxygen-bleach', name: 'Oxygen bleach' },
  { value: 'caustic', name: 'Caustic' },
  { value: 'acid', name: 'Acid' },
  { value: 'degreaser', name: 'Degreaser' },
  { value: 'ammonia', name: 'Ammonia or quat' },
  { value: 'neutraliser', name: 'Neutraliser' },
  { value: 'antifreeze', name: 'Antifreeze' },
  { value: 'pure-water', name: 'Pure water' },
];
