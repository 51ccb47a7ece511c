import type { Box } from '../../deck/index.js';
import { portTo, standingOn } from '../../deck/index.js';
import { awgArea, chooseCable, voltageDrop } from '../../electrics/cable.js';
import { GRAVITY } from '../../fluid/air.js';
import type { Cases } from '../../solve/cases.js';
import type { SoftPumpResult } from '../soft-pump/result.js';
import { type Figure, figure, input } from '../../working/figure.js';
import type { WireResult } from './result.js';

/** From the battery to a load along deck and walls, with slack, m; undefined while either has no place. */
function wayTo(load: Box | undefined, battery: Box | undefined, slack: number): number | undefined {
  if (!load || !battery) return undefined;
  const [a, b] = [portTo(battery, load, battery.z0), portTo(load, battery, load.z0)];
  return Math.max((Math.abs(a.x - b.x) + Math.abs(a.y - b.y) + Math.abs(a.z - b.z)) * (1 + slack), 0.3);
}

/** Every 12 V load of a rig with a battery: soft wash pumps by their solved current, running boosters, remote switches. */
export function assessCircuits(cases: Cases, softPumps: readonly SoftPumpResult[]): WireResult[] {
  const { rig, values } = cases;
  if (!rig.power) return [];
  const boxes = new Map(standingOn(rig).flatMap((t) => (t.box ? [[t.id, t.box] as const] : [])));
  const battery = boxes.get('power/battery');
  const volts = values['pump-volts'];
  const out: WireResult[] = [];
  const add = (loadId: string, name: string, at: string, current: Figure): void => {
    const way = wayTo(boxes.get(at), battery, values['wire-slack']);
    const lengthM = way ?? values['wire-length'];
    const chosen = chooseCable(current.value, lengthM, volts, values['wire-drop']);
    const dropV = chosen && voltageDrop(chosen.gauge, lengthM, current.value);
    out.push({
      loadId,
      name,
      current,
      lengthM,
      asLaid: way !== undefined,
      gauge: chosen?.gauge,
      areaM2: chosen && awgArea(chosen.gauge),
      fuseA: chosen?.fuseA,
      drop:
        chosen &&
        figure(
          dropV!,
          'voltage',
          'voltage-drop',
          [
            input('L', 'one way', lengthM, 'length'),
            input('I', 'current', current.value, 'current'),
            input('n', 'AWG', chosen.gauge, 'number'),
            input('V', 'at the battery', volts, 'voltage'),
          ],
          ['wire-drop', 'pump-volts', ...(way === undefined ? (['wire-length'] as const) : (['wire-slack'] as const))],
        ),
      voltage: volts - (dropV ?? 0),
      dropShare: dropV === undefined ? undefined : dropV / volts,
      verdict: chosen ? 'fed' : 'tight',
    });
  };
  for (const p of rig.softPumps) {
    const own = softPumps.find((x) => x.pumpId === p.id)?.current;
    if (p.kind === 'electric' && own) add(p.id, p.name, p.id, own);
  }
  const drawn = cases.asDrawn;
  for (const b of rig.boosters) {
    if (!b.running) continue;
    const flow = rig.lines.reduce((s, l) => (l.from.at === 'booster' && l.from.id === b.id ? s + Math.max(drawn.flowOf(l.id), 0) : s), 0);
    const head = Math.max(drawn.headOf('boosterOut', b.id) - drawn.headOf('boosterIn', b.id), 0);
    const watts = head * drawn.water.densityKgM3 * GRAVITY * flow;
    add(
      b.id,
      b.name,
      b.id,
      figure(
        watts / (values['booster-efficiency'] * volts),
        'current',
        'motor-current',
        [
          input('P', 'into the water', watts, 'power'),
          input('η', 'motor and pump', values['booster-efficiency'], 'ratio'),
          input('V', 'voltage', volts, 'voltage'),
        ],
        ['booster-efficiency', 'pump-volts'],
      ),
    );
  }
  for (const m of rig.mixes)
    if (m.injector?.remote)
      add(`${m.id}-remote`, `Remote switch of ${m.name}`, m.injector.outlet, figure(values['remote-current'], 'current', 'assumed', [], ['remote-current']));
  return out;
}
