import { assess } from '../../assess/assess.js';
import { LAYOUTS } from '../../layouts/layouts.js';
import { parseRig } from '../../rig/read.js';
import { near } from '../../testing/near.js';

describe('bypass heat', () => {
  test('of two machines that return to one tank adds up: half the time of one', () => {
    const d = LAYOUTS.find((l) => l.id === 'crew-of-four')!.make();
    const both = assess(parseRig(d)).bypasses.map((b) => b.minutesToLimit.value);
    near(both[0], both[1], 0.02);
    const alone = LAYOUTS.find((l) => l.id === 'crew-of-four')!.make();
    const other = alone.lines.find((l) => l.role === 'bypass' && l.from.id === alone.machines[1].id)!;
    other.to = { at: 'machine', id: alone.machines[1].id };
    near(assess(parseRig(alone)).bypasses[0].minutesToLimit.value, 2 * both[0], 0.03);
  });
  test('water that is as hot as the limit to begin with is called that, not “in 0 min”', () => {
    const d = LAYOUTS.find((l) => l.id === 'buffer-skid')!.make();
    d.brief.water = '145 °F';
    const told = assess(parseRig(d)).findings.find((f) => f.code === 'bypass-hot')!;
    expect(told.verdict).toBe('starved');
    expect(told.message.template).toContain('to begin with');
  });
});

describe('a surface cleaner', () => {
  const cleaner = (width: string) => {
    const d = LAYOUTS.find((l) => l.id === 'buffer-skid')!.make();
    d.outlets[0] = { ...d.outlets[0], kind: 'surface-cleaner', width };
    return assess(parseRig(d));
  };
  // Common practice: 20 in wants 8 gpm by the strict school and 3.75 by the thrifty one.
  test('is judged by the flow that arrives for its width, by both schools', () => {
    expect(cleaner('19 in').findings.map((f) => f.code)).not.toContain('cleaner-thin');
    expect(cleaner('30 in').findings.find((f) => f.code === 'cleaner-thin')).toMatchObject({ verdict: 'tight', station: 'guns' });
    expect(cleaner('60 in').findings.find((f) => f.code === 'cleaner-thin')).toMatchObject({ verdict: 'starved' });
  });
  test('does its width, less the overlap, at a walk: 20 in at 0.7 ft/s are some 3570 ft² an hour', () =>
    near(cleaner('20 in').outlets[0].cleaner!.areaHour.value / 0.09290304, (20 / 12) * 0.85 * 0.7 * 3600, 1e-9));
});
