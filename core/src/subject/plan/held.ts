import type { AssumptionValues } from '../../assumption/register.js';
import type { Placement } from '../../rig/schema.js';
import { GRAVITY } from '../../fluid/air.js';
import { boltStrength, forwardForce, tieDownWanted, WANTED_G } from '../../structure/restraint.js';
import { type Figure, figure, input } from '../../working/figure.js';

const YEAR = 365.25 * 86400;

/** Legs through the deck of one piece of what holds: a hoop and a U-bolt have two. */
const LEGS = { hoops: 2, 'u-bolts': 2, bolts: 1 } as const;

/** What holds a thing, N, against a pull forwards: bolts in shear over their safety; straps by their working load, aged; bars. */
export function heldBy(held: NonNullable<Placement['held']>, values: AssumptionValues): Figure {
  const n = input('n', 'pieces', held.count, 'number');
  switch (held.by) {
    case 'straps': {
      const aged = Math.max(1 - (values['strap-year'] * (held.age ?? 0)) / YEAR, 0);
      const working = held.working ?? 0;
      // Half of it where it does not go over to the other side (49 CFR 393.106(d); from memory).
      const counts = (held.runs ?? 'across') === 'across' ? 1 : 0.5;
      return figure(
        held.count * working * aged * counts,
        'force',
        'restraint',
        [n, input('F', 'working load of one', working, 'force'), input('', 'left of it', aged, 'ratio'), input('', 'counts by how it runs', counts, 'ratio')],
        ['strap-year'],
      );
    }
    case 'welded':
      return figure(held.count * values['hold-bar'], 'force', 'restraint', [n, input('F', 'one bar', values['hold-bar'], 'force')], ['hold-bar']);
    default: {
      const { shearN } = boltStrength(held.bolt ?? '3/8-16');
      const legs = LEGS[held.by];
      return figure(
        (held.count * legs * shearN) / values['hold-safety'],
        'force',
        'restraint',
        [
          n,
          input('', 'legs through the deck of each', legs, 'number'),
          input('F', 'shear of one', shearN, 'force'),
          input('S', 'safety', values['hold-safety'], 'number'),
        ],
        ['hold-safety'],
      );
    }
  }
}

/** What a thing has to be held against, N: straps by the aggregate of their working loads, the rest forwards. */
export const heldWanted = (massKg: number, by: NonNullable<Placement['held']>['by'] | undefined): number =>
  by === 'straps' ? tieDownWanted(massKg) : forwardForce(massKg);

/**
 * Straps that 49 CFR 393.110 asks for over a thing with nothing before it to stop it (from memory): one up to 5 ft and 1,100 lb, two
 * up to 10 ft, one more for each 10 ft begun beyond.
 */
export function strapsWanted(lengthM: number, massKg: number): number {
  const foot = 0.3048;
  if (lengthM <= 5 * foot + 1e-9 && massKg <= 1100 * 0.45359237 + 1e-9) return 1;
  return lengthM <= 10 * foot + 1e-9 ? 2 : 2 + Math.ceil((lengthM - 10 * foot) / (10 * foot) - 1e-9);
}

/**
 * Pull on the bolts at the rear feet of a tank that leans forward when the brakes go on, N: nothing where it stands by itself.
 * @param alongM of its base; @param highM of its liquid's surface
 */
export const leanPull = (massKg: number, alongM: number, highM: number): number =>
  alongM > 0 ? Math.max(massKg * GRAVITY * (WANTED_G.forward * (highM / 2) - alongM / 2), 0) / alongM : 0;
