import type { AssumptionValues } from '../../assumption/register.js';
import type { Placement } from '../../rig/schema.js';
import { boltStrength, forwardForce, tieDownWanted } from '../../structure/restraint.js';
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
      return figure(
        held.count * working * aged,
        'force',
        'restraint',
        [n, input('F', 'working load of one', working, 'force'), input('', 'left of it', aged, 'ratio')],
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
