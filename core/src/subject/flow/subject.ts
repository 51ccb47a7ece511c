import type { MixAnswers } from '../mix/result.js';
import type { SoftPumpAnswers } from '../soft-pump/result.js';
import type { Subject } from '../subject.js';
import { chemicalFlows } from './chemical-flows.js';
import type { FlowAnswers } from './result.js';

/** What flows in each line. */
export const FLOW: Subject<FlowAnswers, MixAnswers & SoftPumpAnswers, never> = {
  name: 'flow',
  scale: 'feeding',
  kinds: {},
  needs: ['mix', 'soft-pump'],
  reads: ['all water', 'lines'],
  assess: ({ rig, cases }, { chemical }) => {
    const flows = chemicalFlows(chemical);
    const lineFlow: Record<string, number> = {};
    for (const l of rig.lines) lineFlow[l.id] = flows[l.id] ?? cases.asDrawn.flowOf(l.id);
    return { lineFlow };
  },
};
