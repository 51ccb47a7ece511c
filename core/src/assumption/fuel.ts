import { assumption } from './entry.js';

export const FUEL_ASSUMPTIONS = [
  assumption('fuel-density', 'Weight of ‹gas›', 'density', '6.1 lb/gal', 'published', 'Handbooks give 6.0 to 6.2 (from memory).'),
  assumption('diesel-density', 'Weight of diesel', 'density', '7.0 lb/gal', 'published', 'Handbooks give 6.9 to 7.1 (from memory).'),
  assumption('diesel-fuel', 'Fuel of a small diesel, weight for power and time', 'number', '0.45', 'estimate', 'lb per hp and hour, small diesels.'),
  assumption(
    'fuel-pump-from',
    'Power from which an engine has a fuel pump of its own',
    'power',
    '14 hp',
    'common-practice',
    'About 13 hp and under have none: the tank goes above the ‹carburetor›.',
  ),
  assumption('carburettor-height', '‹Carburetor› height above the engine’s feet', 'length', '12 in', 'estimate', 'Measure your own; a few inches decide it.'),
  assumption('fuel-slope', 'Steepest site that fuel has to run on, where the platform says nothing', 'ratio', '8 %', 'estimate', 'A steep drive.'),
  assumption('fuel-heel', 'Share of a fuel tank that never leaves it', 'ratio', '3 %', 'estimate', 'Below the outlet, and what sloshes.'),
  assumption('fuel-reserve', 'Share of a fuel tank kept as reserve', 'ratio', '10 %', 'common-practice', 'Nobody empties a tank on purpose.'),
  assumption('fuel-pump-lift', 'Most that an engine’s own or a pulse pump lifts', 'length', '24 in', 'estimate', 'Read it off the sheet.'),
  assumption('fuel-electric-lift', 'Most that an electric fuel pump lifts', 'length', '48 in', 'estimate', 'Read it off the sheet.'),
  assumption('fuel-days', 'Days that fuel on board should last', 'number', '1', 'common-practice', 'Nobody stops at a pump in the middle of a job.'),
  assumption(
    'fuel-heat-apart',
    'Distance of fuel from SH and other oxidisers',
    'length',
    '12 in',
    'estimate',
    'They must never meet; ‹a containment tray› between is better.',
  ),
  assumption('vehicle-idle', 'Share of its power that a vehicle gives a pump at idle', 'ratio', '30 %', 'estimate', 'Shaft or oil; read it off the sheet.'),
  assumption(
    'fuel-stranded',
    'Share of a fuel tank out of reach at which it is as good as none',
    'ratio',
    '50 %',
    'estimate',
    'Half of what is carried never burns.',
  ),
] as const;
