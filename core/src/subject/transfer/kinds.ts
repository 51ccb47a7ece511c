import type { Judged } from '../assessment.js';
import { type FindingFigure, type Kinds, places } from '../kind.js';
import { suctionRules, transferRules } from './fixes.js';
import type { TransferResult } from './result.js';

export type TransferCode = 'transfer-none' | 'transfer-suction' | 'transfer-slow' | 'transfer-over';

const transfer = (a: Judged, id: string): TransferResult | undefined => a.chemical.transfers.find((t) => t.pumpId === id);
const moved: FindingFigure = { label: 'pumped', dimension: 'flow', better: 'more', step: 1e-6, of: (a, id) => transfer(a, id)?.least ?? 0 };

export const TRANSFER_KINDS: Kinds<TransferCode> = {
  'transfer-none': { scale: 'feeding', figure: moved, rules: transferRules },
  'transfer-suction': {
    figure: { label: 'sucked up', dimension: 'length', better: 'less', step: 0.05, of: (a, id) => transfer(a, id)?.suctionM ?? 0 },
    rules: suctionRules,
  },
  'transfer-slow': { figure: moved, rules: transferRules },
  'transfer-over': { figure: places('transfer-over'), minor: true },
};
