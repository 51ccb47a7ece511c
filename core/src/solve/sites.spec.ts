import { assess } from '../assess/assess.js';
import { assumptionValues } from '../assumption/register.js';
import { LAYOUTS } from '../layouts/layouts.js';
import { si } from '../quantity/parse.js';
import { parseRig } from '../rig/read.js';
import type { RigDocument } from '../rig/schema.js';
import { near } from '../testing/near.js';
import { Cases } from './cases.js';
import { spigotCurve } from './spigot-curve.js';

const GPM = si('1 gpm', 'flow');
const day = (spigot: { poor: string; usual: string; good: string }): RigDocument['brief']['day'] => ({
  starts: '7:00',
  tolerance: '2 %',
  spigot,
  jobs: [{ id: 'a', name: 'A', water: 'tap', phases: [{ id: 'p', kind: 'wash', time: '60 min', crew: '1', gun: 'gun-a', trigger: '70 %' }] }],
});
const skid = (change: (d: RigDocument) => void = () => undefined): RigDocument => {
  const d = LAYOUTS.find((l) => l.id === 'buffer-skid')!.make();
  change(d);
  return d;
};
const fill = (d: RigDocument) => assess(parseRig(d)).fills[0];

describe('the customer’s taps are the taps', () => {
  test('his poorest and best are what is called poor and good, whatever shares are assumed', () => {
    const given = fill(skid((d) => (d.brief.day = day({ poor: '1 gpm', usual: '5 gpm', good: '6 gpm' }))));
    const assumed = fill(
      skid((d) => {
        d.brief.day = day({ poor: '1 gpm', usual: '5 gpm', good: '6 gpm' });
        d.assumptions['poor-spigot'] = '80 %';
        d.assumptions['good-spigot'] = '300 %';
        d.assumptions['poor-pressure'] = '100 %';
      }),
    );
    expect(given.poor).toBeLessThan(1 * GPM);
    near(given.good, assumed.good, 1e-9);
    expect(given.poor).toBeLessThan(assumed.poor * 1.0001);
    expect(fill(skid()).poor).toBeGreaterThan(2 * given.poor);
  });
  test('a usual flow read at the hose’s end is held against what the open bucket would have had', () => {
    const d = skid((x) => {
      x.spigots[0].readings = [{ flow: '5 gpm', at: 'hose-end' }];
      // The customer’s usual tap is just the one that was read, as an open bucket has it.
      const rig = parseRig(x);
      const cases = new Cases(rig, assumptionValues(rig.assumptions));
      const { staticPressurePa, k } = cases.net.curves.get('spigot')!;
      x.brief.day = day({ poor: '2 gpm', usual: `${Math.sqrt(staticPressurePa / k) / GPM} gpm`, good: '8 gpm' });
    });
    const rig = parseRig(d);
    const cases = new Cases(rig, assumptionValues(rig.assumptions));
    near(cases.at({ spigotShare: 1 }).filledInto('water'), cases.at({}).filledInto('water'), 1e-6);
  });
  test('with two spigots each is held against its own reading', () => {
    const d = LAYOUTS.find((l) => l.id === 'crew-of-four')!.make();
    d.spigots[1].readings = [{ flow: '9 gpm', at: 'spigot' }];
    const rig = parseRig(d);
    const cases = new Cases(rig, assumptionValues({ ...rig.assumptions, 'poor-pressure': 1 }));
    const taps = (s: ReturnType<Cases['at']>) =>
      rig.spigots.map((x) => rig.lines.reduce((q, l) => q + (l.from.at === 'spigot' && l.from.id === x.id ? s.flowOf(l.id) : 0), 0));
    const [usual, half] = [taps(cases.at({ spigotShare: 1 })), taps(cases.at({ spigotShare: 0.5 }))];
    for (const i of [0, 1]) expect(half[i]).toBeLessThan(0.62 * usual[i]);
  });
  test('a poor site may be low in pressure too: it gives the same into a bucket and less up a hill', () => {
    const tall = (pressure: string) =>
      fill(
        skid((d) => {
          d.assumptions['poor-pressure'] = pressure;
          d.spigots[0].staticPressure = '20 psi';
          d.lines[0].to.height = '20 ft';
        }),
      ).poor;
    expect(tall('60 %')).toBeLessThan(0.9 * tall('100 %'));
  });
  test('a bucket’s flow is where the curve has no pressure left', () => {
    const c = spigotCurve({ id: 's', name: 'S', staticPressure: 3e5, height: 0, readings: [{ flow: 3e-4, at: 'spigot' }] }, () => 0);
    expect(Math.abs(c.staticPressurePa - c.k * 9e-8)).toBeLessThan(1e-6);
  });
});
