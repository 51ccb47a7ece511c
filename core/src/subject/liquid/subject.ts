import { liquidCautions } from './cautions.js';
import type { MixAnswers } from '../mix/result.js';
import type { Subject } from '../subject.js';
import { bundFindings, liquidFindings, tankFindings } from './findings.js';
import { LIQUID_KINDS, type LiquidCode } from './kinds.js';
import { assessLiquids } from './liquids.js';
import type { LiquidAnswers } from './result.js';
import { assessChemicalTanks } from './tanks.js';

/** What is kept on board: strength today, days that it lasts, what stands under it. */
export const LIQUID: Subject<LiquidAnswers, MixAnswers, LiquidCode> = {
  name: 'liquid',
  scale: 'practice',
  kinds: LIQUID_KINDS,
  needs: ['mix'],
  reads: ['chemicals', 'chemical levels', 'tanks', 'gear'],
  assess: ({ cases, stocks }, { chemical: { mixes } }) => {
    const tanks = assessChemicalTanks(cases, stocks, mixes);
    return { chemical: { tanks, liquids: assessLiquids(cases, stocks, mixes, tanks) } };
  },
  rests: (rig) => (rig.liquids.length ? ['stock-stale', 'use-by-over', ...(rig.liquids.some((l) => l.strength) ? (['excess-caustic'] as const) : [])] : []),
  findings: ({ rig, values, stocks }, a) => [
    ...liquidFindings(rig, a.chemical, values['stock-stale']),
    ...tankFindings(rig, stocks),
    ...bundFindings(rig, a.chemical),
  ],
  cautions: liquidCautions,
};
