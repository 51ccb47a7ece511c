import type { Judged } from '../assessment.js';
import type { Kinds } from '../kind.js';
import { airLineRules, airRules, stallRules } from './fixes.js';

export type AirCode = 'air-short' | 'air-weak' | 'air-low' | 'air-stalls';

const pump = (a: Judged, id: string) => a.air.pumps.find((p) => p.pumpId === id);

export const AIR_KINDS: Kinds<AirCode> = {
  'air-short': {
    figure: {
      label: 'air to spare',
      dimension: 'airFlow',
      better: 'more',
      step: 1e-5,
      of: (a, id) => {
        const p = pump(a, id);
        if (!p) return 0;
        const gives = a.air.compressors.find((c) => c.compressorId === p.compressorId);
        const short = (gives?.need.value ?? p.needM3s) - (gives?.givesM3s ?? 0);
        const spray = a.chemical.softPumps.find((x) => x.pumpId === id)?.sprayS ?? 0;
        // What a full receiver adds over the spraying of a job.
        return short > 0 && spray > 0 ? (short * p.carriesS) / spray - short : -short;
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
      of: (a, id) => {
        const c = a.air.compressors.find((x) => x.compressorId === id);
        return c ? c.powerHasW - c.power.value : 0;
      },
    },
    rules: airRules,
  },
  'air-stalls': {
    figure: {
      label: 'compressor’s engine to spare',
      dimension: 'power',
      better: 'more',
      step: 10,
      of: (a, id) => {
        const c = a.air.compressors.find((x) => x.compressorId === id);
        return c ? c.powerHasW - c.topPowerW : 0;
      },
    },
    rules: stallRules,
    minor: true,
  },
  'air-low': {
    figure: {
      label: 'over what the pump needs',
      dimension: 'pressure',
      better: 'more',
      step: 1000,
      of: (a, id) => {
        const p = pump(a, id);
        const c = a.air.compressors.find((x) => x.compressorId === p?.compressorId);
        return p && c ? c.cutInPa - p.wantsPa : 0;
      },
    },
    rules: airLineRules,
  },
};
