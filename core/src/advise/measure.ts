import type { Assessment, Finding } from '../assess/types.js';
import type { MixResult } from '../assess/chemical/types.js';
import type { Dimension } from '../quantity/dimension.js';

export interface Measure {
  readonly label: string;
  readonly dimension: Dimension;
  /** More is better. */
  readonly of: (a: Assessment) => number;
  /** Smallest change worth telling. */
  readonly step: number;
}

/** The figure that a finding is about; larger is better. */
export function measureOf(finding: Finding): Measure {
  const id = finding.subject.id;
  switch (finding.code) {
    case 'runs-dry':
    case 'runs-dry-poor':
    case 'little-reserve':
      return finding.code === 'runs-dry-poor'
        ? {
            label: 'water lasts',
            dimension: 'time',
            of: (a) => {
              const t = a.tanks.find((x) => x.tankId === id);
              return t ? Math.min(t.dryAfterPoorS, lastTime(t.series.timeS)) : 0;
            },
            step: 30,
          }
        : { label: 'water left', dimension: 'volume', of: (a) => a.tanks.find((t) => t.tankId === id)?.leftM3 ?? 0, step: 1e-3 };
    case 'tie-small':
      return { label: 'level difference', dimension: 'length', of: (a) => -(a.tanks.find((t) => t.tie)?.tie?.differenceM.value ?? 0), step: 5e-3 };
    case 'vent-small':
    case 'no-vent':
      return { label: 'vacuum', dimension: 'pressure', of: (a) => -Math.min(a.drains.find((d) => d.tankId === id)?.vacuum.value ?? 0, 1e6), step: 1 };
    case 'bypass-hot':
      return { label: 'until hot', dimension: 'time', of: (a) => a.bypasses.find((b) => b.machineId === id)?.minutesToLimit.value ?? 0, step: 30 };
    case 'return-tight':
      return { label: 'back-pressure', dimension: 'pressure', of: (a) => -(a.bypasses.find((b) => b.machineId === id)?.backPressure.value ?? 0), step: 1e3 };
    case 'return-bubbles':
      return {
        label: 'bubbles reach',
        dimension: 'length',
        of: (a) => -(a.bypasses.find((b) => b.machineId === id)?.bubbles?.reachesBelowLevelM ?? 0),
        step: 5e-3,
      };
    case 'gun-weak':
      return { label: 'at the gun', dimension: 'pressure', of: (a) => a.outlets.find((o) => o.outletId === id)?.pressure.value ?? 0, step: 5e4 };
    case 'gun-strong':
      return { label: 'at the gun', dimension: 'pressure', of: (a) => -(a.outlets.find((o) => o.outletId === id)?.pressure.value ?? 0), step: 5e4 };
    case 'surface-harsh':
      return {
        label: 'at the gun',
        dimension: 'pressure',
        of: (a) => -Math.max(...a.cases.map((c) => c.guns.find((g) => g.outletId === id)?.pressurePa ?? 0)),
        step: 5e4,
      };
    case 'reel-small':
      return { label: 'fits', dimension: 'length', of: (a) => a.reels.find((r) => r.reelId === id)?.capacity.value ?? 0, step: 0.1 };
    case 'unloader-cycles':
      return { label: 'turned back', dimension: 'flow', of: (a) => -(a.machines.find((x) => x.machineId === id)?.returned.value ?? 0), step: 1e-7 };
    case 'engine-small':
      return {
        label: 'engine to spare',
        dimension: 'power',
        of: (a) => {
          const x = a.machines.find((y) => y.machineId === id);
          return x ? x.engineAvailable.value - x.enginePower.value : 0;
        },
        step: 10,
      };
    case 'suction-fast':
      return { label: 'suction speed', dimension: 'velocity', of: (a) => -(a.feeds.find((f) => f.machineId === id)?.velocity.value ?? 0), step: 0.01 };
    case 'feed-starved':
    case 'feed-tight':
    case 'direct-poor-spigot':
      return { label: 'inlet head', dimension: 'length', of: (a) => a.feeds.find((f) => f.machineId === id)?.margin.value ?? -100, step: 0.02 };
    case 'mix-weak':
    case 'mix-strong':
      return { label: 'off the wanted strength', dimension: 'ratio', of: (a) => -stray(a, id, (x) => [x.first.value]), step: 0.005 };
    case 'mix-drifts':
      return { label: 'drift over the day', dimension: 'ratio', of: (a) => -stray(a, id, (x) => [x.last.value]), step: 0.005 };
    case 'mix-strays':
      return { label: 'straying', dimension: 'ratio', of: (a) => -stray(a, id, (x) => [x.lowest, x.highest]), step: 0.005 };
    case 'gun-dry':
    case 'gun-thin':
      return { label: 'at the tip', dimension: 'flow', of: (a) => a.chemical.softPumps.find((p) => p.pumpId === id)?.flow.value ?? 0, step: 1e-6 };
    case 'jet-low':
      return { label: 'jet height', dimension: 'length', of: (a) => a.chemical.softPumps.find((p) => p.pumpId === id)?.jetHeight.value ?? 0, step: 0.1 };
    case 'battery-short':
      return {
        label: 'battery to spare',
        dimension: 'charge',
        of: (a) => {
          const p = a.chemical.softPumps.find((x) => x.pumpId === id);
          return p?.batteryDay ? p.batteryUsable - p.batteryDay.value : 0;
        },
        step: 1800,
      };
    case 'air-short':
      return {
        label: 'air to spare',
        dimension: 'airFlow',
        of: (a) => {
          const p = a.chemical.softPumps.find((x) => x.pumpId === id);
          if (!p?.airUse) return 0;
          const short = p.airUse.value - p.airGiven;
          // What a full receiver adds over the spraying of a job.
          return short > 0 && p.sprayS > 0 ? (short * p.airCarriesS) / p.sprayS - short : -short;
        },
        step: 1e-5,
      };
    case 'bund-small':
      return { label: 'bund', dimension: 'volume', of: (a) => a.chemical.tanks.find((t) => t.tankId === id)?.bundM3 ?? 0, step: 1e-3 };
    case 'antifreeze-short':
      return { label: 'antifreeze', dimension: 'volume', of: (a) => a.chemical.winter?.onBoardM3 ?? 0, step: 1e-4 };
    case 'stock-short':
      return { label: 'on board', dimension: 'volume', of: (a) => a.chemical.liquids.find((l) => l.liquidId === id)?.onBoardM3 ?? 0, step: 1e-3 };
    default:
      return { label: 'findings', dimension: 'number', of: (a) => -a.findings.filter((f) => f.code === finding.code).length, step: 0.5 };
  }
}

const lastTime = (t: readonly number[]): number => t[t.length - 1] ?? 0;

/** How far the strengths of a mix stray from what is wanted, as a share of it. */
function stray(a: Assessment, mixId: string, of: (m: MixResult) => readonly number[]): number {
  const m = a.chemical.mixes.find((x) => x.mixId === mixId);
  return m && m.wanted.value > 0 ? Math.max(...of(m).map((s) => Math.abs(s / m.wanted.value - 1))) : 0;
}
