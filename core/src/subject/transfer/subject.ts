import { transferCautions } from './cautions.js';
import type { Subject } from '../subject.js';
import { TRANSFER_KINDS, type TransferCode } from './kinds.js';
import type { TransferAnswers } from './result.js';
import { assessTransfers, transferFindings } from './transfer.js';

/** Pumps that move stock from tank to tank. */
export const TRANSFER: Subject<TransferAnswers, object, TransferCode> = {
  name: 'transfer',
  scale: 'practice',
  kinds: TRANSFER_KINDS,
  reads: ['chemicals'],
  assess: ({ cases, stocks }) => ({ chemical: { transfers: assessTransfers(cases, stocks) } }),
  findings: ({ cases }, a) => transferFindings(cases, a.chemical.transfers),
  rests: (_rig, { chemical: { transfers } }) => (transfers.length ? ['transfer-suction', 'transfer-time'] : []),
  cautions: transferCautions,
};
