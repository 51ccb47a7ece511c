import type { Assessment } from '../assessment';
import { assess } from '../../assess/assess';
import { GRAVITY, waterAt } from '../../fluid';
import { nozzleFlow } from '../../hydraulics/nozzle';
import { LAYOUTS } from '../../layouts/layouts';
import { si } from '../../quantity/parse';
import { parseRig } from '../../rig/read';
import { judge, GPM, PSI } from '../../testing/judge';
import { near } from '../../testing/near';
import { along, falls } from '../../testing/trend';

describe('the marina’s skid', () => {
  test('a nozzle worn by a tenth takes the gun from about 3100 to 2600 psi: p/(1 + w)², as all of the flow goes through it', () => {
    const [gun] = judge().outlets;
    near(gun.pressure.value / PSI, 3100, 0.02);
    near(gun.worn.value / PSI, 2600, 0.03);
    near(gun.worn.value, gun.pressure.value / 1.1 ** 2, 0.02);
  });
  test('energy holds: what the pump gives is what hose and jet take', () => {
    const a = judge();
    const o = a.outlets[0];
    const pump = a.machines[0].pumpPressure.value;
    const riseLost = (si('4 ft', 'length') - si('14 in', 'length')) * waterAt(293.15).densityKgM3 * GRAVITY;
    near(pump * o.flow.value, (o.pressure.value + o.lineLossPa + riseLost) * o.flow.value, 1e-4);
    near(o.flow.value, nozzleFlow(9, o.pressure.value), 2e-3);
    near(a.machines[0].returned.value + o.flow.value, 8 * GPM, 1e-6);
  });
});

describe('the gun', () => {
  const at = (a: Assessment): number => a.outlets[0].pressure.value;
  test('loses pressure with the hose’s length', () =>
    falls(
      along(
        ['50 ft', '100 ft', '200 ft', '400 ft'],
        (d, x) =>
          void (
            d.lines[2].parts.filter((p) => p.kind === 'hose').at(-1)!.kind === 'hose' &&
            Object.assign(d.lines[2].parts.filter((p) => p.kind === 'hose').at(-1)!, { length: x, coiledLength: '0 ft' })
          ),
        at,
      ),
    ));
  test('loses pressure with a larger nozzle', () => falls(along(['7', '8', '9', '11', '14'], (d, x) => void (d.outlets[0].nozzle.size = x), at)));
  test('loses with its height', () => falls(along(['0 ft', '20 ft', '60 ft'], (d, x) => void (d.outlets[0].height = x), at)));
  test('never sees more than the unloader lets', () => {
    for (const l of LAYOUTS) {
      const rig = parseRig(l.make());
      const a = assess(rig);
      for (const c of a.cases)
        for (const m of c.machines) expect(m.pumpPressurePa).toBeLessThan(rig.machines.find((x) => x.id === m.machineId)!.unloader.setting * 1.01 + 3e4);
    }
  });
});
