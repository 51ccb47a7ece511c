import type { Judged } from '../assessment.js';
import { outletRules } from './outlet-fixes.js';
import { type FindingFigure, type Kinds, places } from '../kind.js';
import { bufferRules, tieRules } from './fixes.js';
import type { TankResult } from './result.js';

export type BufferCode = 'outlet-outside' | 'over-full' | 'runs-dry' | 'runs-dry-poor' | 'little-reserve' | 'tie-small';

const tank = (a: Judged, id: string): TankResult | undefined => a.tanks.find((t) => t.tankId === id);
const left: FindingFigure = { label: 'water left', dimension: 'volume', better: 'more', step: 1e-3, of: (a, id) => tank(a, id)?.leftM3 ?? 0 };

export const BUFFER_KINDS: Kinds<BufferCode> = {
  'outlet-outside': { scale: 'practice', figure: places('outlet-outside'), rules: outletRules },
  'over-full': { scale: 'practice', figure: places('over-full') },
  'runs-dry': { figure: left, rules: bufferRules },
  'runs-dry-poor': {
    figure: {
      label: 'water lasts',
      dimension: 'time',
      better: 'more',
      step: 30,
      of: (a, id) => {
        const t = tank(a, id);
        return t ? Math.min(t.dryAfterPoorS, t.series.timeS.at(-1) ?? 0) : 0;
      },
    },
    rules: bufferRules,
    minor: true,
  },
  'little-reserve': { figure: left, rules: bufferRules, minor: true },
  'tie-small': {
    figure: { label: 'level difference', dimension: 'length', better: 'less', step: 5e-3, of: (a) => a.tanks.find((t) => t.tie)?.tie?.differenceM.value ?? 0 },
    rules: tieRules,
  },
};
