import { SUMS } from '@pozzo/core';
import { SUM_GROUPS } from './sum-groups';

test('every sum stands in exactly one group', () => {
  const listed = SUM_GROUPS.flatMap((g) => g.sums);
  expect([...listed].sort()).toEqual(SUMS.map((s) => s.name).sort());
  expect(new Set(listed).size).toBe(listed.length);
});
