import { starts } from './arrays';

test('where shares of a common list begin', () => {
  expect([...starts(new Int32Array(4), ['a', 'bcd', ''], (x) => x.length)]).toEqual([0, 1, 4, 4]);
});
