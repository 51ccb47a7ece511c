import { type Message, message } from '../../working/figure.js';
import type { Finding } from '../finding.js';
import type { Subject } from '../subject.js';
import type { Verdict } from '../verdict.js';
import { type Crossing, crossingsOf, spills } from './crossings.js';
import { CROSSING_KINDS, type CrossingCode } from './kinds.js';

const SAYS: Readonly<
  Record<Crossing['how'], { readonly code: CrossingCode; readonly verdict: Verdict; readonly station: Finding['station']; readonly says: string }>
> = {
  tie: {
    code: 'cross-tie',
    verdict: 'stop',
    station: 'tanks',
    says: 'An open tie joins {from} to {into}: {what} levels out into the water the washers draw. Shut it, or take it off.',
  },
  pumped: {
    code: 'cross-pumped',
    verdict: 'stop',
    station: 'liquids',
    says: '{from} is pumped into {into}: {what} in the water the washers draw. Lead it to a tank for chemicals.',
  },
  return: {
    code: 'cross-return',
    verdict: 'stop',
    station: 'bypass',
    says: '{from} returns its water into {into}, which it doesn’t draw from: {into} is thinned and runs over. Lead it back to the tank of water.',
  },
  'by-weight': {
    code: 'cross-siphon',
    verdict: 'stop',
    station: 'mix',
    says: '{from} stands higher than the water in {into}, with no check valve between: with the engine off, {what} runs into the water.',
  },
  thinned: {
    code: 'stock-thinned',
    verdict: 'tight',
    station: 'mix',
    says: 'Nothing keeps water from {from} out of {into} while the pump is off: add a check valve, or the stock is thinned.',
  },
};

const findingOf = (c: Crossing): Finding => {
  const { code, verdict, station, says } = SAYS[c.how];
  const values: Message['values'] = { from: c.from.name, into: c.into.name, what: c.what };
  return { code, verdict, station, subject: { kind: 'line', id: c.line.id }, also: [{ kind: 'tank', id: c.into.id }], message: message(says, values) };
};

/** Whether water stays water: SH, soap and antifreeze that get into a washer's, and water that gets into them. */
export const CROSSING: Subject<object, object, CrossingCode> = {
  name: 'crossing',
  scale: 'practice',
  kinds: CROSSING_KINDS,
  reads: ['tanks', 'machines', 'mixes', 'liquids', 'lines'],
  assess: () => ({}),
  findings: ({ rig, stocks }) => [
    ...crossingsOf(rig, stocks).map(findingOf),
    ...spills(rig).map(({ line, tank }): Finding => ({
      code: 'dump-chemical',
      verdict: 'stop',
      station: 'dump',
      subject: { kind: 'line', id: line.id },
      message: message('{tank} drains onto the ground: what runs to a storm drain kills fish, and is fined. Take the drain off, or shut and cap it.', {
        tank: tank.name,
      }),
    })),
  ],
};
