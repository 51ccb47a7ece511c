import { LAYOUTS } from '../../layouts/layouts';
import { sweep } from '../../testing/sweep';

/** `npm run test:long` edits every place of every layout; every day those of two, and of the rest what is in neither of them. */
const LONG = process.env['POZZO_LONG'] === '1';
const WHOLE = ['crew-of-four', 'tied-tanks'];
const done = new Set<string>();
let judged = 0;

test.each([...WHOLE, ...LAYOUTS.map((l) => l.id).filter((id) => !WHOLE.includes(id))])(
  'an edit of any field of %s, with every optional field filled in, answers as a fresh assessment does',
  (id) => {
    const own = LONG || WHOLE.includes(id) ? new Set<string>() : done;
    const swept = sweep(id, own, LONG);
    own.forEach((kind) => done.add(kind));
    expect(swept.wrong).toEqual([]);
    expect(swept.judged).toBeGreaterThanOrEqual(0.5 * swept.places);
    judged += swept.judged;
  },
);
test('many were judged', () => {
  expect(judged).toBeGreaterThan(1500);
});
