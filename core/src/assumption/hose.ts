import { assumption } from './entry.js';

export const HOSE_ASSUMPTIONS = [
  assumption(
    'roughness-smooth',
    'Roughness of drawn, plastic and rubber bores',
    'length',
    '0.0015 mm',
    'published',
    'Moody: 0.0015 mm drawn, up to 0.01 mm (from memory).',
  ),
  assumption(
    'roughness-corrugated',
    'Roughness of corrugated suction hose',
    'length',
    '0.6 mm',
    'estimate',
    'No one value is published; a ribbed bore loses two to three times a smooth one.',
  ),
  assumption('roughness-steel', 'Roughness of steel pipe', 'length', '0.045 mm', 'published', 'Moody; Crane TP-410 (from memory).'),
  assumption('roughness-galvanised', 'Roughness of ‹galvanized› pipe', 'length', '0.15 mm', 'published', 'Moody; Crane TP-410 (from memory).'),
  assumption(
    'hose-wall',
    'Wall of pressure and garden hose',
    'length',
    '3.5 mm',
    'estimate',
    'Two-wire hose is thicker, soft garden hose thinner; measure yours.',
  ),
] as const;
