import type { ChemicalResult } from './chemical-result.js';
import type { Cases } from '../solve/cases.js';
import type { Stocks } from '../solve/stock.js';
import type { Finding } from '../subject/finding.js';
import { bundFindings, liquidFindings, meetingFindings, siphonFindings, tankFindings } from '../subject/liquid/findings.js';
import { attacksOf } from '../subject/liquid/meetings.js';
import { finding } from '../subject/message-parts.js';
import { mixFindings } from '../subject/mix/findings.js';
import { pumpFindings } from '../subject/soft-pump/findings.js';
import { winterFindings } from '../subject/winter/findings.js';
import { message } from '../working/figure.js';

/** What the builder should hear about the chemical side. */
export function chemicalFindings(cases: Cases, stocks: Stocks, r: ChemicalResult): Finding[] {
  const { rig } = cases;
  return [
    ...meetingFindings(rig, r),
    ...rig.mixes.flatMap((mix) => {
      const result = r.mixes.find((x) => x.mixId === mix.id);
      return result
        ? mixFindings(cases, result)
        : [finding('mix-open', 'starved', 'mix', { kind: 'mix', id: mix.id }, message('{mix} does not reach a gun: its way is not whole.', { mix: mix.name }))];
    }),
    ...pumpFindings(cases, r),
    ...liquidFindings(rig, r),
    ...tankFindings(rig, stocks),
    ...bundFindings(rig, r),
    ...winterFindings(rig, r),
    ...siphonFindings(rig, stocks),
    ...attacksOf(rig, stocks).map((a) =>
      finding(
        'attacked',
        'tight',
        a.kind === 'reel' ? 'reels' : 'machines',
        { kind: a.kind === 'reel' ? 'reel' : 'soft-pump', id: a.id },
        message('{thing}: {reason}. Its {part} is {material}; choose another, or rinse it every time.', {
          thing: a.name,
          reason: a.reason,
          part: a.part,
          material: a.material,
        }),
      ),
    ),
  ];
}
