import type { Assessment } from '../../assess/assessment.js';
import type { FindingFigure, Kinds } from '../kind.js';
import { airRules, batteryRules, jetRules, liftRules } from './fixes.js';
import type { SoftPumpResult } from './result.js';

export type SoftPumpCode = 'gun-dry' | 'gun-thin' | 'jet-low' | 'battery-short' | 'air-short' | 'air-weak';

const pump = (a: Assessment, id: string): SoftPumpResult | undefined => a.chemical.softPumps.find((p) => p.pumpId === id);
const atTheTip: FindingFigure = { label: 'at the tip', dimension: 'flow', better: 'more', step: 1e-6, of: (a, id) => pump(a, id)?.flow.value ?? 0 };

export const SOFT_PUMP_KINDS: Kinds<SoftPumpCode> = {
  'gun-dry': { scale: 'feeding', figure: atTheTip, rules: liftRules },
  'gun-thin': { scale: 'feeding', figure: atTheTip, rules: liftRules },
  'jet-low': {
    figure: { label: 'jet height', dimension: 'length', better: 'more', step: 0.1, of: (a, id) => pump(a, id)?.jetHeight.value ?? 0 },
    rules: jetRules,
  },
  'battery-short': {
    figure: {
      label: 'battery to spare',
      dimension: 'charge',
      better: 'more',
      step: 1800,
      of: (a, id) => {
        const p = pump(a, id);
        return p?.batteryDay ? p.batteryUsable - p.batteryDay.value : 0;
      },
    },
    rules: batteryRules,
  },
  'air-short': {
    figure: {
      label: 'air to spare',
      dimension: 'airFlow',
      better: 'more',
      step: 1e-5,
      of: (a, id) => {
        const p = pump(a, id);
        if (!p?.airUse) return 0;
        const short = p.airUse.value - p.airGiven;
        // What a full receiver adds over the spraying of a job.
        return short > 0 && p.sprayS > 0 ? (short * p.airCarriesS) / p.sprayS - short : -short;
      },
    },
    rules: airRules,
  },
  'air-weak': {
    figure: {
      label: 'compressor’s engine to spare',
      dimension: 'power',
      better: 'more',
      step: 10,
      of: (a, id, rig) => {
        const p = pump(a, id);
        return p?.airPower ? (rig.power?.compressorPower ?? 0) - p.airPower.value : 0;
      },
    },
    rules: airRules,
  },
};
