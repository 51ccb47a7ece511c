import { convertMix, convertPump } from '../edit/mix-way';
import { takePart } from '../catalogue/items';
import { airPressure } from '../fluid/air';
import { advise, applyFix } from '../advise/advise';
import { bigTankTrailer } from '../layouts/big-tank-trailer';
import { crewOfFour } from '../layouts/crew-of-four';
import { LAYOUTS } from '../layouts/layouts';
import { smallBuffer } from '../layouts/small-buffer';
import { tiedTanksTruck } from '../layouts/tied-tanks-truck';
import { twoBatchSingleAxle } from '../layouts/two-batch-single-axle';
import { MIX_WAYS } from '../rig/schema';
import { parseRig } from '../rig/read';
import type { RigDocument } from '../rig/schema';
import { near, seeded } from '../testing/near';
import { assess } from './assess';
import type { Assessment } from './assessment';

const GPM = (231 * 0.0254 ** 3) / 60;
const judged = (d: RigDocument): Assessment => assess(parseRig(d));
const codes = (d: RigDocument): string[] => judged(d).findings.map((f) => f.code);
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
  test('what is titrated today overrules the reckoning, and stale stock reaches the wall weaker', () => {
    const d = crewOfFour();
    const fresh = judged(d).chemical.mixes[0].first.value;
    d.liquids![0].strength!.titrated = '6 %';
    const a = judged(d);
    near(a.chemical.mixes[0].first.value / fresh, 0.06 / judged(crewOfFour()).chemical.liquids[0].today.value, 0.01);
    expect(a.findings.map((f) => f.code)).toContain('stock-stale');
  });
  test('a flush that comes in after the valves leaves them full', () => {
    const d = smallBuffer();
    expect(codes(d)).toContain('flush-partial');
    d.mixes!.find((m) => m.way === 'proportioner')!.flush = 'through';
    expect(codes(d)).not.toContain('flush-partial');
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
    expect(codes(d)).toContain('batch-impossible');
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
    expect(codes(d)).toContain('no-check');
  });
});

describe('what must not meet', () => {
  const withAcid = (): RigDocument => {
    const d = twoBatchSingleAxle();
    d.liquids!.push({ id: 'rust', name: 'Rust remover', kind: 'acid', price: '$18' });
    d.tanks.push({ ...d.tanks[0], id: 'acid-tank', name: 'Acid', holds: 'rust' });
    return d;
  };
  test('acid on the same rig with a pump of its own is listed, not stopped', () => {
    const a = judged(withAcid());
    expect(a.verdict).not.toBe('stop');
    expect(a.chemical.meetings.find((m) => m.verdict === 'never')).toMatchObject({ places: [] });
  });
  test('acid that can be drawn into the SH pump is a stop with its reason, even behind a shut valve', () => {
    const d = withAcid();
    d.lines.push({ ...d.lines.find((l) => l.id === 'walls-draw')!, id: 'acid-draw', from: { at: 'tank', id: 'acid-tank' }, closed: true });
    const a = judged(d);
    expect(a.verdict).toBe('stop');
    const found = a.findings.find((f) => f.code === 'never-mix')!;
    expect(found.message.values['reason']).toMatch(/chlorine gas/);
    const fix = advise(d, parseRig(d), a).find((f) => f.code === 'never-mix')!;
    expect(judged(applyFix(d, fix)).verdict).not.toBe('stop');
  });
  test('a brass swivel under SH and nitrile seals in its pump are told, and cured', () => {
    const d = twoBatchSingleAxle();
    d.reels = [
      { id: 'soft-reel', name: 'Soft wash reel', line: 'walls-hose', flange: '20 in', core: '8 in', width: '18 in', place: 'kerb', row: '1', swivel: 'brass' },
    ];
    d.softPumps![0].seals = 'nitrile';
    const a = judged(d);
    expect(a.findings.filter((f) => f.code === 'attacked').map((f) => f.station)).toEqual(expect.arrayContaining(['reels', 'machines']));
    const fixes = advise(d, parseRig(d), a).filter((f) => f.code === 'attacked');
    expect(fixes.length).toBeGreaterThanOrEqual(2);
  });
});

describe('tanks, siphons and stock', () => {
  test('an SH tank that breathes onto the deck or has no drop tube is told', () => {
    const d = twoBatchSingleAxle();
    d.tanks[0].ventTo = 'deck';
    delete d.tanks[1].dropTube;
    expect(codes(d)).toEqual(expect.arrayContaining(['fumes-deck', 'no-drop-tube']));
  });
  test('an open hose end below a full tank siphons; a ball gun stops it', () => {
    const d = twoBatchSingleAxle();
    const hose = d.lines.find((l) => l.id === 'walls-hose')!;
    hose.parts = hose.parts.filter((p) => p.item !== 'soft-gun-12');
    const branch = d.lines.find((l) => l.id === 'walls-draw')!;
    branch.parts = branch.parts.filter((p) => p.item !== 'ball-valve-full-1');
    expect(codes(d)).toContain('siphon');
    hose.parts.push(takePart('soft-gun-12', 'x1'));
    expect(codes(d)).not.toContain('siphon');
  });
  test('too little on board for the day is starved, and a larger tank is offered', () => {
    const d = twoBatchSingleAxle();
    d.brief.washes = [{ surface: 'roof', area: '9000 ft²', perDay: '2' }];
    const a = judged(d);
    const short = a.findings.find((f) => f.code === 'stock-short')!;
    expect(short.verdict).toBe('starved');
    expect(advise(d, parseRig(d), a).some((f) => f.code === 'stock-short')).toBe(true);
  });
  test('chemicals weigh more than water: 12.5 trade % about 9.7 lb a gallon', () => {
    const l = judged(crewOfFour()).chemical.liquids[0];
    near((l.densityKgM3 * 0.003785411784) / 0.45359237, 9.7, 0.01);
  });
  test('fetched fresh costs less in the week than what age eats of it', () => {
    for (const layout of LAYOUTS) for (const l of judged(layout.make()).chemical.liquids) expect(l.keptWeek).toBeGreaterThanOrEqual(l.freshWeek * 0.999999);
  });
});

describe('soft wash pumps', () => {
  const pumpOf = (d: RigDocument, id: string) => judged(d).chemical.softPumps.find((p) => p.pumpId === id)!;
  /** Common practice: an air-operated 1/2 in pump rated about 17 gpm gives about 11 gpm through its real hose run. */
  test('an air pump of 17 gpm gives about 11 gpm through 200 ft of 3/4 in hose', () => {
    const p = pumpOf(smallBuffer(), 'air-pump');
    expect(p.flow.value / GPM).toBeGreaterThan(9.5);
    expect(p.flow.value / GPM).toBeLessThan(12);
  });
  /** Common practice: a 12 V pump without elbows throws about 40 ft. */
  test('a 12 V pump without elbows throws about 40 ft', () => near(pumpOf(crewOfFour(), 'small-pump').jetThrow.value / 0.3048, 40, 0.1));
  /** Common practice: each elbow costs about 5 % of a small 12 V pump's flow; the computed loss stands beside it. */
  test('elbows cost flow, far less by physics than by the rule when the hose is long', () => {
    const d = crewOfFour();
    d.lines.find((l) => l.id === 'blend-suction')!.parts.push(takePart('elbow-90-12', 'e1', { count: '4' }));
    const p = pumpOf(d, 'small-pump');
    expect(p.elbows.count).toBe(4);
    near(p.elbows.shareByRule, 1 - 0.95 ** 4, 1e-12);
    expect(p.elbows.shareByPhysics).toBeGreaterThan(0.001);
    expect(p.elbows.shareByPhysics).toBeLessThan(p.elbows.shareByRule);
  });
  test('a day that empties the battery is told, and a larger one cures it', () => {
    const d = twoBatchSingleAxle();
    d.batteries![0].capacity = '6 Ah';
    const a = judged(d);
    expect(a.findings.map((f) => f.code)).toContain('battery-short');
    const fix = advise(d, parseRig(d), a).find((f) => f.code === 'battery-short' && f.cures)!;
    expect(codes(applyFix(d, fix))).not.toContain('battery-short');
  });
  test('no compressor, no air pump; altitude counts once, in what the pump asks', () => {
    const d = smallBuffer();
    d.compressors![0].freeAir = '5 cfm';
    expect(codes(d)).toContain('air-short');
    const low = pumpOf(smallBuffer(), 'air-pump');
    const high = smallBuffer();
    high.brief.altitude = '6000 ft';
    const up = pumpOf(high, 'air-pump');
    // A piston sweeps the same volume anywhere; a stroke of air at 100 psi is so many more of the thinner air about it.
    expect(judged(high).air.compressors[0].givesM3s).toBe(judged(smallBuffer()).air.compressors[0].givesM3s);
    const [a, b] = [airPressure(0), airPressure(6000 * 0.3048)];
    const limit = parseRig(high).softPumps.find((p) => p.id === 'air-pump')!.limit;
    const sea = airPressure(parseRig(smallBuffer()).brief.altitude);
    expect(a).toBeGreaterThan(b);
    near(up.airUse!.value / up.flow.value / (low.airUse!.value / low.flow.value), (((limit + b) / b) * sea) / (limit + sea), 1e-6);
  });
  test('work higher than the jet climbs is told', () => {
    const d = twoBatchSingleAxle();
    d.site = { distance: '60 ft', height: '50 ft', corners: '1', spare: '0 ft', traffic: 'right' };
    expect(codes(d)).toContain('jet-low');
  });
  test('each kind can stand in for each other', () => {
    for (const kind of ['electric', 'engine', 'air'] as const) {
      const d = twoBatchSingleAxle();
      convertPump(d, 'pump-walls', kind);
      expect(pumpOf(d, 'pump-walls').flow.value).toBeGreaterThan(0);
    }
  });
});

describe('winter and glass', () => {
  test('every circuit counts, and colder nights take more antifreeze', () => {
    const d = crewOfFour();
    const mild = judged(d).chemical.winter!;
    expect(mild.circuits.length).toBeGreaterThan(4);
    d.brief.coldest = '-20 °F';
    const hard = judged(d).chemical.winter!;
    expect(hard.antifreeze.value).toBeGreaterThan(mild.antifreeze.value);
    expect(hard.away.length).toBeGreaterThan(4);
  });
  test('a pump that brings nothing is starved and says why once; its strength is not spoken of', () => {
    const d = twoBatchSingleAxle();
    d.softPumps![0].limit = '5 psi';
    d.sprayers![0].height = '30 ft';
    const a = judged(d);
    const [p] = a.chemical.softPumps;
    expect([p.flow.value, p.verdict]).toEqual([0, 'starved']);
    // 5 psi lift 11.5 ft of water, a little less of a heavier mix.
    near(p.liftsM, 11.53 * 0.3048, 0.05);
    expect(a.findings.filter((f) => f.subject.id === p.pumpId).map((f) => f.code)).toEqual(['gun-dry']);
    expect(a.findings.some((f) => f.code === 'mix-weak')).toBe(false);
  });
  test('a glass line tells litres until the resin is spent', () => {
    const [g] = judged(LAYOUTS.find((l) => l.id === 'metric-header')!.make()).chemical.pureWater;
    expect(g.life.value).toBeGreaterThan(0.5);
    expect(g.flow.value).toBeGreaterThan(0);
    near(g.heightM, 9, 1e-9);
  });
});

test('no layout falls into danger, and every one reads back', () => {
  expect(LAYOUTS).toHaveLength(15);
  // The single axle with two batch tanks is over when both are full: that is its lesson.
  for (const l of LAYOUTS)
    expect([
      l.id,
      judged(l.make())
        .findings.filter((f) => f.verdict === 'stop')
        .map((f) => f.code),
    ]).toEqual([l.id, l.id === 'two-batch' ? ['over-gross'] : []]);
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
