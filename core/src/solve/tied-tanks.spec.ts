import { assess } from '../assess/assess.js';
import { assumptionValues } from '../assumption/register.js';
import { outflowThrough } from '../hydraulics/outflow.js';
import { LAYOUTS } from '../layouts/layouts.js';
import { si } from '../quantity/parse.js';
import { parseRig } from '../rig/read.js';
import type { RigDocument } from '../rig/schema.js';
import { drain } from '../subject/drain/drain.js';
import { near } from '../testing/near.js';
import { Cases } from './cases.js';
import { lineTerms } from './rig-network.js';
import { TiedTanks } from './tied-tanks.js';

const INCH = 0.0254;

/** The twin-tank truck with a tie of this bore, on two upright tanks, 36 in wide, as it was when its draining was first redone by hand. */
function twin(bore: '3/4' | '1' | '2'): RigDocument {
  const d = LAYOUTS.find((l) => l.id === 'tied-tanks')!.make();
  for (const t of d.tanks.slice(0, 2)) t.shape = { kind: 'upright-cylinder', diameter: '36 in', height: '50 in' };
  const tie = d.lines.find((l) => l.role === 'tie')!;
  tie.parts = tie.parts.map((p) => ({ ...p, bore: `${bore} in`, ...(p.kind === 'fitting' && p.reducedBore ? { reducedBore: `${bore} in` } : {}) }));
  return d;
}

/** Two upright tanks by a plain differential equation in very short steps: surfaces, and when the drained one and all are empty. */
function byHand(d: RigDocument, watch: number) {
  const rig = parseRig(d);
  const cases = new Cases(rig, assumptionValues(rig.assumptions));
  const line = (role: string) => rig.lines.find((l) => l.role === role)!;
  const law = (role: string, jet: number) => {
    const { quadratic, runs } = lineTerms(line(role), cases.values, cases.net.water, false);
    return (h: number) => outflowThrough(h, quadratic! + jet, runs!, cases.net.water.kinematicViscosityM2S);
  };
  const area = (Math.PI / 4) * (36 * INCH) ** 2;
  const last = line('dump').parts.at(-1)!.bore;
  const dump = law('dump', 1 / (2 * 9.80665 * ((Math.PI / 4) * last * last) ** 2));
  const tie = law('tie', 0);
  let [left, right] = [53 * INCH, 53 * INCH];
  let far = 0;
  let t = 0;
  const dt = 0.2;
  for (; left - 5 * INCH > 1e-3 && t < 1e5; t += dt) {
    const over = left > right ? tie(left - Math.max(right, 5 * INCH)) : 0;
    left -= (over / area) * dt;
    right = Math.max(right + ((over - (right > 3 * INCH ? dump(right + 6 * INCH) : over)) / area) * dt, 3 * INCH);
    if (Math.abs(t - watch) < dt / 2) far = (left - 3 * INCH) * area;
  }
  return { seconds: t, farM3: far };
}

describe('tied tanks drain through their tie', () => {
  test.each(['3/4', '1', '2'] as const)('%s in, against a two-tank differential equation', (bore) => {
    const d = twin(bore);
    const rig = parseRig(d);
    const cases = new Cases(rig, assumptionValues(rig.assumptions));
    const out = drain(
      cases,
      rig.tanks.slice(0, 2),
      rig.lines.find((l) => l.role === 'dump')!,
    );
    const hand = byHand(d, 281);
    // What stays below the tie's bulkhead in the far tank does not leave; by hand it ends a millimetre above that.
    const at = (seconds: number) => {
      const i = out.timeS.findIndex((t) => t >= seconds);
      return out.volumeM3[i - 1] + ((out.volumeM3[i] - out.volumeM3[i - 1]) * (seconds - out.timeS[i - 1])) / (out.timeS[i] - out.timeS[i - 1]);
    };
    if (bore === '1') near(at(281), hand.farM3, 0.015);
    const area = (Math.PI / 4) * (36 * INCH) ** 2;
    const left = 2 * INCH * area + 1e-3 * area;
    const k = out.volumeM3.findIndex((v) => v <= left);
    const [a, b] = [k - 1, k];
    near(out.timeS[a] + ((out.timeS[b] - out.timeS[a]) * (out.volumeM3[a] - left)) / (out.volumeM3[a] - out.volumeM3[b]), hand.seconds, 0.015);
  });
  test('a tie of 1 in: the drained tank is soon empty, the other long after; by one surface it would be quick', () => {
    const [slow, quick] = [twin('1'), twin('2')].map((d) => assess(parseRig(d)).drains.find((x) => x.tankId === 'right')!.time!.value);
    expect(slow).toBeGreaterThan(2.5 * quick);
  });
});

describe('what crosses a tie', () => {
  const rig = parseRig(twin('1'));
  const tied = new TiedTanks(new Cases(rig, assumptionValues(rig.assumptions)), rig.tanks.slice(0, 2));
  const out = new Float64Array(3);
  test('keeps the water, goes downhill, and comes to rest level, by steps of any length', () => {
    for (const dt of [5, 20, 600, 20_000]) {
      const v = Float64Array.of(0.7, 0.2);
      for (let i = 0; i < 60_000 / dt + 4; i++) {
        tied.cross(v, [0, 0], dt, out);
        near(out[0] + out[1] + 1, 1, 1e-12);
        expect(out[0]).toBeLessThanOrEqual(1e-8);
        v[0] += out[0] * dt;
        v[1] += out[1] * dt;
      }
      near(v[0] + v[1], 0.9, 1e-9);
      expect(tied.apart(v)).toBeLessThan(1e-4);
    }
  });
  test('in steady work the tie brings half of what is drawn from one, whatever the step', () => {
    const q = si('4 gpm', 'flow');
    for (const dt of [1, 20, 60]) {
      const v = Float64Array.of(0.7, 0.7);
      for (let t = 0; t < 1200; t += dt) {
        tied.cross(v, [0, -q], dt, out);
        v[0] += out[0] * dt;
        v[1] += (out[1] - q) * dt;
      }
      near(out[1], q / 2, 0.01);
    }
  });
});

test('how tied tanks drain is told of the usual water, whatever case was asked for before', () => {
  const rig = parseRig(twin('3/4'));
  const line = rig.lines.find((l) => l.role === 'dump')!;
  const drained = (cases: Cases) => drain(cases, rig.tanks.slice(0, 2), line);
  const cases = new Cases(rig, assumptionValues(rig.assumptions));
  cases.at({ water: 'summer', strainer: 'dirty' });
  expect(cases.net.water.temperatureK).toBeGreaterThan(rig.brief.water);
  expect(drained(cases)).toEqual(drained(new Cases(rig, assumptionValues(rig.assumptions))));
});
