import { advise, applyFix } from '../../advise/advise.js';
import { assess } from '../../assess/assess.js';
import { LAYOUTS } from '../../layouts/layouts.js';
import { parseRig } from '../../rig/read.js';
import type { RigDocument } from '../../rig/schema.js';
import { judged } from '../../testing/judge';
import { say } from '../../working/figure.js';

const layout = (id: string): RigDocument => LAYOUTS.find((l) => l.id === id)!.make();
const told = (d: RigDocument, code: string) => judged(d).findings.find((f) => f.code === code);
const mended = (d: RigDocument, code: string): RigDocument => {
  const rig = parseRig(d);
  const fix = advise(d, rig, assess(rig)).find((f) => f.code === code && f.cures);
  if (!fix) throw new Error(`Nothing cures ${code}.`);
  return applyFix(d, fix);
};
const feed = (d: RigDocument) => d.lines.find((l) => l.role === 'feed')!;

describe('what a suction line is fitted out with', () => {
  test('no layout lacks a strainer, a valve before it, or water that runs to its pump', () => {
    for (const l of LAYOUTS)
      expect([l.id, judged(l.make()).findings.filter((f) => /^no-(strainer|shut-off|foot)|wont-prime/.test(f.code))]).toEqual([l.id, []]);
  });
  test('a line without a strainer is told, and one is put in', () => {
    const d = layout('buffer-skid');
    feed(d).parts = feed(d).parts.filter((p) => p.kind !== 'strainer');
    expect(told(d, 'no-strainer')).toMatchObject({ verdict: 'tight', station: 'feed', subject: { id: 'washer-a' } });
    const after = mended(d, 'no-strainer');
    expect(told(after, 'no-strainer')).toBeUndefined();
    expect(told(after, 'no-shut-off')).toBeUndefined();
  });
  test('a strainer that cannot be shut off from the tank is told, and a valve stands before it after the fix', () => {
    const d = layout('buffer-skid');
    feed(d).parts = feed(d).parts.filter((p) => !(p.kind === 'fitting' && p.is === 'ball-valve'));
    expect(told(d, 'no-shut-off')).toMatchObject({ verdict: 'tight' });
    const parts = feed(mended(d, 'no-shut-off')).parts.map((p) => p.is);
    expect(parts.indexOf('ball-valve')).toBeLessThan(parts.indexOf('strainer'));
  });
  test('a pump above the water without a valve that holds it draws air first: volume and time by hand', () => {
    const d = layout('buffer-skid');
    d.machines[0].inletHeight = '40 in';
    const found = told(d, 'no-foot-valve')!;
    // 6 ft of 1 in hose hold 0.245 gal; at 30 % of 8 gpm that is six seconds.
    expect(say(found.message, 'us')).toMatch(/each start pulls 0\.245.gal of air \(about 6\.1\d.s\)/);
    expect(told(mended(d, 'no-foot-valve'), 'no-foot-valve')).toBeUndefined();
  });
  test('a foot valve keeps the line full, and counts its loss', () => {
    const d = layout('buffer-skid');
    d.machines[0].inletHeight = '40 in';
    const before = judged(d).feeds[0].margin.value;
    feed(d).parts.splice(1, 0, { id: 'foot', name: 'Foot valve', kind: 'fitting', is: 'foot-valve', bore: '1 in', count: '1' });
    expect(told(d, 'no-foot-valve')).toBeUndefined();
    expect(judged(d).feeds[0].margin.value).toBeLessThan(before);
  });
  test('higher than a dry pump draws from it does not prime, whatever holds the water', () => {
    const d = layout('buffer-skid');
    d.machines[0].inletHeight = '80 in';
    expect(told(d, 'wont-prime')).toMatchObject({ verdict: 'starved' });
    d.assumptions['dry-suction'] = '8 ft';
    expect(told(d, 'wont-prime')).toBeUndefined();
  });
});

describe('what stands the pressure', () => {
  test('a hose whose print is below the unloader is a stop; one that is only taken to be is told', () => {
    const d = layout('buffer-skid');
    const hose = d.lines.find((l) => l.role === 'pressure')!.parts.find((p) => p.kind === 'hose')!;
    expect(told(d, 'rating-low')).toBeUndefined();
    hose.rated = '3000 psi';
    expect(told(d, 'rating-low')).toMatchObject({ verdict: 'stop' });
    expect(told(mended(d, 'rating-low'), 'rating-low')).toBeUndefined();
    // An assumed part that is weaker still does not hide the printed one.
    const both = layout('buffer-skid');
    both.assumptions['rating-fitting'] = '2000 psi';
    both.lines.find((l) => l.role === 'pressure')!.parts.find((p) => p.kind === 'hose')!.rated = '3000 psi';
    expect(told(both, 'rating-low')).toMatchObject({ verdict: 'stop' });
    const unread = layout('buffer-skid');
    unread.assumptions['rating-hose'] = '3000 psi';
    expect(told(unread, 'rating-low')).toMatchObject({ verdict: 'tight' });
  });
});

describe('a float that sticks', () => {
  test('in a closed tank with a thin vent presses on it: the orifice by hand, and a wider vent mends it', () => {
    const d = layout('buffer-skid');
    d.tanks[0].lid = 'closed';
    d.tanks[0].ventBore = '1/4 in';
    const rig = parseRig(d);
    const found = told(d, 'fill-presses')!;
    const flow = judged(d).fills[0].good;
    const speed = flow / (0.6 * (Math.PI / 4) * rig.tanks[0].ventBore ** 2);
    const psi = (998.2 * speed * speed) / 2 / 6894.757;
    expect(say(found.message, 'us')).toContain(`${psi.toPrecision(3).replace(/\.?0+$/, '')}`);
    expect(told(mended(d, 'fill-presses'), 'fill-presses')).toBeUndefined();
    d.tanks[0].lid = 'open';
    expect(told(d, 'fill-presses')).toBeUndefined();
  });
});
