import type { Rig } from '../rig/schema.js';
import type { Cases } from '../solve/cases.js';
import { Blends, wayOf } from '../solve/blend-network.js';
import { assessLiquids } from '../subject/liquid/liquids.js';
import { assessMeetings } from '../subject/liquid/meetings.js';
import { assessMix } from '../subject/mix/mix.js';
import { assessSoftPumps } from '../subject/soft-pump/soft-pump.js';
import { assessChemicalTanks } from '../subject/liquid/tanks.js';
import type { Stocks } from '../solve/stock.js';
import type { ChemicalResult } from './chemical-result.js';
import type { MixResult } from '../subject/mix/result.js';
import { assessPureWater, assessWinter } from '../subject/winter/winter.js';

/** The chemical side of a rig: what meets, in what strength, by which pump, and what it eats. */
export function assessChemical(cases: Cases, stocks: Stocks): ChemicalResult {
  const { rig } = cases;
  const blends = new Blends(rig, cases.values, stocks);
  const mixes = rig.mixes.map((m) => assessMix(cases, stocks, blends, m)).filter((m) => m !== undefined);
  const softPumps = assessSoftPumps(cases, blends, mixes);
  const tanks = assessChemicalTanks(cases, stocks, mixes);
  return {
    mixes,
    softPumps,
    liquids: assessLiquids(cases, stocks, mixes, tanks),
    tanks,
    meetings: assessMeetings(rig, stocks),
    winter: assessWinter(cases),
    pureWater: assessPureWater(cases, softPumps),
    drawnFrom: drawnFrom(rig, mixes, cases.values['soft-wash-share']),
  };
}

/** Mean flow that soft washing takes from each tank while a job lasts. Injectors take from the washer's own water. */
function drawnFrom(rig: Rig, mixes: readonly MixResult[], share: number): Record<string, number> {
  const out: Record<string, number> = {};
  for (const m of mixes) {
    if (
      !wayOf(
        rig,
        rig.mixes.find((x) => x.id === m.mixId)!,
      )
    )
      continue;
    for (const s of m.streams) if (s.tankId !== undefined) out[s.tankId] = (out[s.tankId] ?? 0) + s.flowM3s * share;
  }
  return out;
}
