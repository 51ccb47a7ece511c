import { burnerFuel } from '../../fuel/index.js';
import { WATER_SPECIFIC_HEAT } from '../../fluid/water.js';
import type { Cases } from '../../solve/cases.js';
import { pressurePath } from '../../solve/paths.js';
import { figure, input } from '../../working/figure.js';
import type { BurnerResult } from './result.js';

/** How hot the water gets behind each burner, and what has to stand it. */
export function assessHeat(cases: Cases): BurnerResult[] {
  const { rig, values, net } = cases;
  return rig.burners.flatMap((b): BurnerResult[] => {
    const machine = rig.machines.find((m) => m.id === b.machine)!;
    const drawn = cases.asDrawn;
    // What turns back does so at the unloader, before the burner.
    const flow = net.cutOff.has(machine.id) ? 0 : Math.max(drawn.machineFlow(machine) - drawn.returned(machine), 0);
    const inK = rig.brief.water;
    const perK = drawn.water.densityKgM3 * flow * WATER_SPECIFIC_HEAT;
    const wanted = Math.max(b.set - inK, 0);
    const rise = perK > 0 ? Math.min(b.heat / perK, wanted) : 0;
    const heat = perK * rise;
    const behind = net
      .outletsOf(machine.id)
      .flatMap((o) => pressurePath(rig, machine.id, o.id))
      .flatMap((l) =>
        l.parts.map((p) => ({
          part: p.name,
          lineId: l.id,
          standsK: p.stands ?? values['cold-stands'],
          assumed: p.stands === undefined,
          hose: p.kind === 'hose',
        })),
      );
    // The hose is what people stand beside: of two alike it is told.
    const weakest = [...behind].sort((x, y) => x.standsK - y.standsK || Number(y.hose) - Number(x.hose)).at(0);
    const outK = inK + rise;
    const reaches = !(rise < wanted - 0.5) || flow === 0;
    return [
      {
        burnerId: b.id,
        machineId: machine.id,
        rise: figure(rise, 'temperatureStep', 'burner', [input('P', 'burner', b.heat, 'power'), input('Q', 'through it', flow, 'flow')]),
        out: figure(outK, 'temperature', 'burner', [input('T₁', 'water in', inK, 'temperature'), input('ΔT', 'rise', rise, 'temperatureStep')]),
        heat: figure(heat, 'power', 'burner', [input('Q', 'flow', flow, 'flow'), input('ΔT', 'rise', rise, 'temperatureStep')]),
        fuel: figure(
          burnerFuel(heat, values['burner-efficiency'], b.fuel),
          'flow',
          'burner',
          [input('P', 'into the water', heat, 'power')],
          ['burner-efficiency'],
        ),
        reaches,
        setK: b.set,
        weakest: weakest && { part: weakest.part, lineId: weakest.lineId, standsK: weakest.standsK, assumed: weakest.assumed },
        // The thermostat may be set to it at any time with one of two guns shut.
        verdict: weakest && weakest.standsK < Math.max(outK, b.set) - 0.05 ? 'stop' : reaches ? 'fed' : 'tight',
      },
    ];
  });
}
