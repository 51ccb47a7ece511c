import type { Assessment } from '../assessment';
import { takePart } from '../../catalogue/items';
import { convertMix } from '../../edit/mix-way';
import { bigTankTrailer } from '../../layouts/big-tank-trailer';
import { crewOfFour } from '../../layouts/crew-of-four';
import { LAYOUTS } from '../../layouts/layouts';
import { smallBuffer } from '../../layouts/small-buffer';
import { tiedTanksTruck } from '../../layouts/tied-tanks-truck';
import { twoBatchSingleAxle } from '../../layouts/two-batch-single-axle';
import type { RigDocument } from '../../rig/schema';
import { MIX_WAYS } from '../../rig/schema';
import { judged, codes } from '../../testing/judge';
import { near } from '../../testing/near';
import { seeded } from '../../testing/near';

const setValve = (d: RigDocument, lineId: string, setting: string): void => {
  for (const p of d.lines.find((l) => l.id === lineId)!.parts) if (p.kind === 'valve' && p.is === 'metering-valve') p.setting = setting;
};

describe('a proportioner', () => {
  test('opening the SH valve makes it stronger, opening the water valve weaker', () => {
    const strength = (water: string, sh: string): number => {
      const d = tiedTanksTruck();
      setValve(d, 'blend-water', water);
      setValve(d, 'blend-sh', sh);
      return judged(d).chemical.mixes[0].first.value;
    };
    expect(strength('45 %', '25 %')).toBeGreaterThan(strength('45 %', '12 %'));
    expect(strength('80 %', '12 %')).toBeLessThan(strength('45 %', '12 %'));
  });
  test('the settings it offers bring the strength that is wanted', () => {
    for (const wanted of ['0.6 %', '1 %', '2 %', '3 %']) {
      const d = crewOfFour();
      const mix = d.mixes!.find((m) => m.way === 'proportioner')!;
      mix.wanted = wanted;
      const before = judged(d).chemical.mixes.find((m) => m.mixId === mix.id)!;
      expect(before.reachable).toBe(true);
      for (const s of before.settings) {
        const part = d.lines.find((l) => l.id === s.lineId)!.parts.find((p) => p.id === s.partId)!;
        if (part.kind === 'valve') part.setting = `${100 * s.wanted} %`;
      }
      near(judged(d).chemical.mixes.find((m) => m.mixId === mix.id)!.first.value, parseFloat(wanted) / 100, 2e-3);
    }
  });
  test('it drifts as the stock falls below the water', () => {
    const m = judged(tiedTanksTruck()).chemical.mixes[0];
    expect(m.last.value).toBeLessThan(m.first.value);
    for (let i = 1; i < m.byLevel.length; i++) expect(m.byLevel[i].strength).toBeLessThanOrEqual(m.byLevel[i - 1].strength + 1e-9);
  });
  test('what is titrated today overrides the estimate, and stale stock reaches the wall weaker', () => {
    const d = crewOfFour();
    const fresh = judged(d).chemical.mixes[0].first.value;
    d.liquids![0].strength!.titrated = '6 %';
    const a = judged(d);
    near(a.chemical.mixes[0].first.value / fresh, 0.06 / judged(crewOfFour()).chemical.liquids[0].today.value, 0.01);
    expect(a.findings.map((f) => f.code)).toContain('stock-stale');
  });
  test('a flush that comes in after the valves leaves them full', () => {
    const d = smallBuffer();
    expect(codes(judged(d))).toContain('flush-partial');
    d.mixes!.find((m) => m.way === 'proportioner')!.flush = 'through';
    expect(codes(judged(d))).not.toContain('flush-partial');
  });
});

test('available chlorine balances through every way of mixing, on 200 random rigs (seed 77)', () => {
  const random = seeded(77);
  let checked = 0;
  for (let i = 0; i < 200; i++) {
    const d = LAYOUTS[Math.floor(random() * LAYOUTS.length)].make();
    for (const l of d.lines)
      for (const p of l.parts) {
        if (p.kind === 'valve' && p.is === 'metering-valve') p.setting = `${(3 + 97 * random()).toFixed(1)} %`;
        if (l.role === 'chemical' && p.kind === 'hose') p.length = `${(2 + 150 * random()).toFixed(1)} ft`;
      }
    for (const l of d.liquids ?? []) if (l.strength) l.strength.age = `${Math.round(120 * random())} d`;
    for (const m of d.mixes ?? []) if (random() < 0.6) convertMix(d, m.id, MIX_WAYS[Math.floor(random() * MIX_WAYS.length)], 0.15);
    for (const m of judged(d).chemical.mixes) {
      checked++;
      const into = m.streams.reduce((s, x) => s + x.flowM3s * x.strength, 0);
      const volume = m.streams.reduce((s, x) => s + x.flowM3s, 0);
      if (!(Math.abs(into - m.flow.value * m.first.value) <= 1e-9 * (into + 1e-12)))
        throw new Error(`rig ${i}, ${m.mixId}: ${into} in, ${m.flow.value * m.first.value} out`);
      expect(Math.abs(volume - m.flow.value)).toBeLessThanOrEqual(1e-9 * volume + 1e-15);
    }
  }
  expect(checked).toBeGreaterThan(150);
});

test('every layout that washes can be turned to every way of mixing, and still reaches a gun', () => {
  for (const layout of LAYOUTS)
    for (const mix of layout.make().mixes ?? [])
      for (const way of MIX_WAYS) {
        const d = layout.make();
        convertMix(d, mix.id, way, 0.2);
        const m = judged(d).chemical.mixes.find((x) => x.mixId === mix.id);
        if (!m || !(m.flow.value > 0)) throw new Error(`${layout.id} ${mix.id} ${way}: no way to the gun`);
        expect(m.way).toBe(way);
      }
});

describe('a batch', () => {
  test('is mixed to the strength wanted, and topped up over what is left', () => {
    const d = twoBatchSingleAxle();
    const before = judged(d).chemical.mixes.find((m) => m.mixId === 'roofs')!;
    near(before.recipe!.stockM3 + before.recipe!.waterM3 + before.recipe!.soapM3, before.recipe!.volumeM3, 1e-9);
    d.mixes!.find((m) => m.id === 'roofs')!.left = { volume: '10 gal', strength: '3 %' };
    const after = judged(d).chemical.mixes.find((m) => m.mixId === 'roofs')!;
    expect(after.recipe!.topUp).toBe(true);
    expect(after.recipe!.stockM3).toBeLessThan(before.recipe!.stockM3);
  });
  test('cannot be mixed from stock weaker than the mix', () => {
    const d = twoBatchSingleAxle();
    d.liquids![0].strength!.titrated = '2 %';
    expect(codes(judged(d))).toContain('batch-impossible');
  });
});

describe('a downstream injector', () => {
  /** Common practice: about 10:1, so 12.5 % reaches the wall near 1 %. */
  test('brings about one percent behind a 4 gpm washer', () => {
    const m = judged(LAYOUTS.find((l) => l.id === 'carried-water')!.make()).chemical.mixes[0];
    expect(m.first.value).toBeGreaterThan(0.008);
    expect(m.first.value).toBeLessThan(0.0125);
  });
  test('draws less with more hose after it, and nothing with the working nozzle on', () => {
    const d = bigTankTrailer();
    const usual = judged(d).chemical.mixes[0];
    expect(usual.cases.find((c) => c.label === 'hose twice as long')!.strength).toBeLessThan(usual.first.value);
    expect(usual.cases.find((c) => c.label.startsWith('soap nozzle'))!.strength).toBeLessThan(usual.first.value);
    d.mixes![0].injector!.soapNozzle = d.outlets[0].nozzle.size;
    expect(judged(d).chemical.mixes[0].first.value).toBe(0);
  });
  test('without a check valve is told', () => {
    const d = bigTankTrailer();
    const draw = d.lines.find((l) => l.id === 'draw')!;
    draw.parts = draw.parts.filter((p) => p.item !== 'check-valve-12');
    expect(codes(judged(d))).toContain('no-check');
  });
});

describe('a change of liquid', () => {
  const downstream = (remote: boolean, distance?: string): Assessment['chemical']['mixes'][number] => {
    const d = smallBuffer();
    const mix = d.mixes!.find((m) => m.way === 'downstream')!;
    mix.injector!.remote = remote;
    if (distance) d.site = { distance, height: '0 ft', corners: '0', spare: '0 ft', traffic: 'left' };
    return judged(d).chemical.mixes.find((m) => m.mixId === mix.id)!;
  };
  test('a switch at the wall saves the walk to the rig and back', () => {
    const [with_, without] = [downstream(true, '120 ft'), downstream(false, '120 ft')];
    expect(with_.walkS).toBe(0);
    // 120 ft there and 120 ft back at 4 ft/s.
    near(without.changeOver.value - with_.changeOver.value, 60, 1e-9);
    near(without.walkS, 60, 1e-9);
    expect([with_.changeOver.working.assumptions, without.changeOver.working.assumptions]).toEqual([[], ['walk-speed']]);
  });
  test('where no site is given, the hose is walked along', () => {
    const m = downstream(false);
    near((m.walkS * 4 * 0.3048) / 2, 156 * 0.3048, 0.05);
  });
  test('valves at the rig are walked to; an injector at the gun is not', () => {
    for (const way of ['proportioner', 'nozzle'] as const) {
      const d = crewOfFour();
      convertMix(d, d.mixes![0].id, way, 0.15);
      const m = judged(d).chemical.mixes[0];
      expect([way, m.walkS > 0]).toEqual([way, way === 'proportioner']);
    }
  });
});

test('an open hose end below a full tank siphons; a ball gun stops it', () => {
  const d = twoBatchSingleAxle();
  const hose = d.lines.find((l) => l.id === 'walls-hose')!;
  hose.parts = hose.parts.filter((p) => p.item !== 'soft-gun-12');
  const branch = d.lines.find((l) => l.id === 'walls-draw')!;
  branch.parts = branch.parts.filter((p) => p.item !== 'ball-valve-full-1');
  expect(codes(judged(d))).toContain('siphon');
  hose.parts.push(takePart('soft-gun-12', 'x1'));
  expect(codes(judged(d))).not.toContain('siphon');
});
