import { advise, applyFix } from '../../advise/advise.js';
import { assess } from '../../assess/assess.js';
import { simulateDay } from '../../day/index.js';
import { LAYOUTS } from '../../layouts/layouts.js';
import { mend } from '../../rig/mend.js';
import { parseRig } from '../../rig/read.js';
import type { RigDocument } from '../../rig/schema.js';
import { judged } from '../../testing/judge';

const layout = (id: string): RigDocument => LAYOUTS.find((l) => l.id === id)!.make();
const told = (d: RigDocument, code: string) => judged(d).findings.filter((f) => f.code === code);

describe('what a pump runs on', () => {
  test('every layout has a battery for its 12 V pumps and mains for its motors', () => {
    for (const l of LAYOUTS) expect([l.id, told(l.make(), 'no-battery'), told(l.make(), 'no-mains')]).toEqual([l.id, [], []]);
  });
  test('a 12 V pump without a battery is starved, and a battery cures it', () => {
    const d = layout('crew-of-four');
    delete d.batteries;
    mend(d);
    const [first] = told(d, 'no-battery');
    expect(first).toMatchObject({ verdict: 'starved', subject: { kind: 'soft-pump' } });
    const fix = advise(d, parseRig(d), judged(d)).find((f) => f.code === 'no-battery')!;
    expect(told(applyFix(d, fix), 'no-battery')).toEqual([]);
  });
  test('a booster that runs with nothing on board to drive it is told', () => {
    const d = layout('boosted-skid');
    delete d.batteries;
    mend(d);
    expect(told(d, 'no-battery')).toEqual(
      expect.arrayContaining([expect.objectContaining({ verdict: 'tight', subject: { kind: 'booster', id: d.boosters[0].id } })]),
    );
  });
  test('an electric washer without mains is starved; it burns no petrol, wants a residual-current device, and loses nothing to altitude', () => {
    const d = layout('gravity-van');
    delete d.mains;
    expect(told(d, 'no-mains')).toMatchObject([{ verdict: 'starved', station: 'machines' }]);
    const rig = parseRig(layout('gravity-van'));
    expect(simulateDay(rig).fuelKg).toBe(0);
    const words = assess(rig)
      .cautions.map((c) => c.text)
      .join(' ');
    expect(words).toContain('GFCI');
    expect(words).not.toContain('carbon monoxide');
    const high = layout('gravity-van');
    high.brief.altitude = '9000 ft';
    expect(judged(high).machines[0].engineAvailable.value).toBe(judged(layout('gravity-van')).machines[0].engineAvailable.value);
    high.machines[0].drive = 'petrol';
    expect(judged(high).machines[0].engineAvailable.value).toBeLessThan(0.75 * rig.machines[0].enginePower);
  });
});
