import { assumption } from './entry.js';

export const WEIGHT_ASSUMPTIONS = [
  assumption('rating-near', 'Share of a rating from which a load is told', 'ratio', '95 %', 'estimate', 'A scale reads no closer, and mud weighs.'),
  assumption('tongue-least', 'Least weight on a ball or pintle, of the loaded trailer', 'ratio', '10 %', 'common-practice', 'Less and it sways.'),
  assumption('tongue-most', 'Most weight on a ball or pintle, of the loaded trailer', 'ratio', '15 %', 'common-practice', 'More takes weight off the steering axle.'),
  assumption('tongue-sway', 'Weight on a coupling below which a trailer is not to be towed', 'ratio', '5 %', 'estimate', 'Sway begins somewhere between this and a tenth.'),
  assumption('king-least', 'Least weight on a fifth wheel, of the loaded trailer', 'ratio', '15 %', 'common-practice', 'Usual guidance is 15 to 25 %.'),
  assumption('king-most', 'Most weight on a fifth wheel, of the loaded trailer', 'ratio', '25 %', 'common-practice', 'Usual guidance is 15 to 25 %.'),
  assumption('steer-least', 'Least share of a vehicle’s weight on its steering axle', 'ratio', '20 %', 'common-practice', 'Less and it neither steers nor brakes in the wet.'),
  assumption('side-most', 'Most difference between left and right wheels that is let pass, of their load', 'ratio', '5 %', 'estimate', 'More shows in springs and tyres.'),
  assumption('rollover-least', 'Least pull to the side before it tips, share of g', 'number', '0.45', 'estimate', 'Loaded tankers lie near 0.3 to 0.4, cars above 1.'),
  assumption('brakes-from', 'Weight of a trailer from which it wants brakes of its own', 'mass', '3000 lb', 'common-practice', 'Road rules differ from 1500 lb up: yours decide.'),
  assumption('ticket-near', 'How near a weighbridge ticket lies to the reckoning', 'ratio', '5 %', 'estimate', 'A rig of catalogue masses comes no closer.'),
] as const;
