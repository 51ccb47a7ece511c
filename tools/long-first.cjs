const { default: Sequencer } = require('@jest/test-sequencer');

/** Files of tests that take longest, the longest first: begun last, one of them would keep the others waiting at the end. */
const LONGEST = [
  'extremes',
  'every-choice',
  'reassess',
  'choose',
  'advice-holds',
  'register',
  'every-press',
  'every-chart',
  'plan',
  'day.station',
  'every-field',
  'ends',
  'every-station',
];
const place = ({ path }) => {
  const at = LONGEST.findIndex((name) => path.endsWith(`/${name}.spec.ts`));
  return at < 0 ? LONGEST.length : at;
};

/** The longest first, the rest as the runner would have it. */
module.exports = class LongFirst extends Sequencer {
  sort(tests) {
    return [...super.sort(tests)].sort((a, b) => place(a) - place(b));
  }
};
