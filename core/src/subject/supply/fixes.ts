import type { RigDocument } from '../../rig/schema.js';
import type { Candidate, Rule } from '../rule.js';

type Power = NonNullable<RigDocument['power']>;

/** A usual battery, and nothing else. */
const USUAL: Power = { battery: '100 Ah', chemistry: 'agm', charging: '0 A', freeAir: '0 cfm', compressorPower: '0 hp' };

/** Something to run on. */
export const supplyRules: Rule = (finding): Candidate[] =>
  finding.code === 'no-battery'
    ? [{ id: 'battery', title: 'A deep-cycle battery of 100 Ah', change: (d) => void (d.power ??= { ...USUAL }) }]
    : (['site', 'generator'] as const).map((mains) => ({
        id: mains,
        title: mains === 'site' ? 'Run it from the customer’s socket, through a residual-current device' : 'Run it from a generator on board',
        change: (d: RigDocument) => void (d.power = { ...(d.power ?? USUAL), mains }),
      }));
