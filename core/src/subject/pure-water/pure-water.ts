import { resinLife } from '../../chemistry/pure-water.js';
import type { Rig } from '../../rig/schema.js';
import { figure, input } from '../../working/figure.js';
import type { SoftPumpResult } from '../soft-pump/result.js';
import type { PureWaterResult } from './result.js';

/** Brushes behind a resin bed. */
export function assessPureWater(rig: Rig, pumps: readonly SoftPumpResult[]): PureWaterResult[] {
  const solids = rig.brief.tapSolids ?? 0;
  return rig.sprayers.flatMap((s) => {
    const pump = pumps.find((p) => p.sprayerId === s.id);
    if (!s.resin || !pump) return [];
    return [
      {
        sprayerId: s.id,
        life: figure(resinLife(s.resin.volume, s.resin.capacity, solids), 'volume', 'resin-life', [
          input('V', 'resin', s.resin.volume, 'volume'),
          input('c', 'tap water', solids, 'ratio'),
        ]),
        flow: pump.flow,
        heightM: s.height,
      },
    ];
  });
}
