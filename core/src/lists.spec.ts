import { flatMap, times } from './lists';
import { seeded } from './testing/near';

test('what is made of each, one after the other, is what the list’s own way makes', () => {
  const random = seeded(11);
  for (let trial = 0; trial < 200; trial++) {
    const list = Array.from({ length: Math.floor(random() * 9) }, () => Math.floor(random() * 4));
    const of = (x: number, i: number): number | readonly number[] => (x === 3 ? i : Array.from({ length: x }, (_, k) => 10 * i + k));
    expect(flatMap(list, of)).toEqual(list.flatMap(of));
  }
  // A list in a list stays one, as there.
  expect(flatMap([1, 2], (x) => [[x, x]])).toEqual([1, 2].flatMap((x) => [[x, x]]));
});

test('a list of so many', () => {
  expect(times(4, (i) => i * i)).toEqual([0, 1, 4, 9]);
  expect(times(0, (i) => i)).toEqual([]);
});
