import { message } from '../../working/figure.js';
import { finding } from '../message-parts.js';
import type { Subject } from '../subject.js';
import { type WholeCode, WHOLE_KINDS } from './kinds.js';

const RIG = { kind: 'rig', id: 'rig' } as const;

/** What is told of the rig as a whole. */
export const WHOLE: Subject<object, object, WholeCode> = {
  name: 'whole',
  scale: 'feeding',
  kinds: WHOLE_KINDS,
  reads: ['machines', 'softPumps'],
  assess: () => ({}),
  findings: ({ rig, unsettled }) => [
    ...(rig.machines.length || rig.softPumps.length
      ? []
      : [finding('no-machine', 'tight', 'machines', RIG, message('No machine yet: nothing asks for water.'))]),
    ...(unsettled.length
      ? [
          finding(
            'unsolved',
            'starved',
            'feed',
            RIG,
            message('The flows of this rig do not settle ({n} cases, such as {which}). Look for lines that fight each other.', {
              n: String(unsettled.length),
              which: unsettled[0],
            }),
          ),
        ]
      : []),
  ],
};
