import { VERDICTS, worse, worstOf } from './verdict';

test('verdicts have an order', () => {
  expect(VERDICTS.reduce(worse)).toBe('stop');
  expect(worse('tight', 'fed')).toBe('tight');
  expect(worstOf([])).toBe('fed');
});
