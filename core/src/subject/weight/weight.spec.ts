import { advise } from '../../advise/advise';
import { assess } from '../../assess/assess';
import { dayModel } from '../../day/model';
import { simulateDay, simulateModel } from '../../day/simulate-day';
import { weighDay } from '../../day/weigh-day';
import { LAYOUTS } from '../../layouts/layouts';
import { parseRig } from '../../rig/read';
import type { RigDocument } from '../../rig/schema';
import { shapeHeight } from '../../rig/tank-shape';
import { deckLoad, liquidAt, liquidCentre, surfaceMoment } from '../../solve/deck-load';
import { supportsOf, weigh } from '../../solve/weigh';
import { Stocks } from '../../solve/stock';
import { assumptionValues } from '../../assumption/register';
import { near, seeded } from '../../testing/near';

const layout = (id: string): RigDocument => LAYOUTS.find((l) => l.id === id)!.make();
const weightOf = (d: RigDocument) => assess(parseRig(d)).weight!;
const codes = (d: RigDocument): string[] =>
  assess(parseRig(d))
    .findings.filter((f) => f.station === 'weight' && f.verdict !== 'fed')
    .map((f) => `${f.verdict} ${f.code}`);

/** A trailer with one box tank on it and nothing else: to be reckoned by hand. */
function plain(): RigDocument {
  const d = layout('carried-water');
  return {
    ...d,
    platform: {
      kind: 'trailer',
      name: 'Plain',
      length: '4 m',
      width: '2 m',
      height: '50 cm',
      empty: { by: 'centre', mass: '500 kg', at: '1.9 m', height: '50 cm' },
      axles: [{ at: '2.1 m', track: '1.8 m', rating: '1400 kg' }],
      coupling: { kind: 'ball', ahead: '1 m', rating: '250 kg' },
      gvwr: '1600 kg',
      brakes: 'electric',
      deck: 'steel',
    },
    machines: [],
    outlets: [],
    reels: [],
    lines: [],
    gear: [],
    mixes: [],
    liquids: [],
    tanks: [
      {
        id: 'water',
        name: 'Water',
        liquid: 'water',
        shape: { kind: 'box', length: '1 m', width: '1 m', height: '1.001803 m' },
        base: '0 cm',
        fullLevel: '1.001803 m',
        startLevel: '50 cm',
        lid: 'closed',
        ventBore: '2 in',
      },
    ],
    placements: [{ thing: 'water', x: '1.1 m', y: '0.5 m', mass: '0 lb' }],
  };
}

describe('a trailer reckoned by hand', () => {
  // From the coupling: 500 kg empty at 2.9 m, axle at 3.1 m, 1000 kg of water at 2.6 m: 193.5 kg on the coupling, 12.9 %.
  test('carries what the hand says, full', () => {
    const full = weightOf(plain()).states.find((s) => s.id === 'full')!;
    near(full.massKg, 1500, 1e-5);
    near(full.tongueKg!, (500 * 0.2 + 1000 * 0.5) / 3.1, 1e-5);
    near(full.tongueShare!, 0.129, 1e-3);
    near(full.axles[0], 1306.5, 1e-3);
    near(full.streetShare, 0.5, 1e-12);
    near(full.centre.z, (500 * 0.5 + 1000 * 1.0009) / 1500, 1e-4);
    near(full.payloadLeftKg, 100, 1e-3);
  });
  test('empty and half full', () => {
    const w = weightOf(plain());
    near(w.states.find((s) => s.id === 'empty')!.tongueKg!, (500 * 0.2) / 3.1, 1e-9);
    near(w.states.find((s) => s.id === 'half')!.tongueKg!, (500 * 0.2 + 500 * 0.5) / 3.1, 1e-5);
  });
  test('a tank moved from the axle to the coupling moves the load in proportion', () => {
    const tongue = (x: number) => {
      const d = plain();
      d.placements![0].x = `${x} m`;
      return weightOf(d).states.find((s) => s.id === 'full')!.tongueKg!;
    };
    const [a, b, c] = [tongue(0.4), tongue(0.9), tongue(1.4)];
    near(a - b, b - c, 1e-9);
    near(a - b, (1000 * 0.5) / 3.1, 1e-5);
  });
  test('a mirrored deck mirrors its sides', () => {
    const share = (y: string) => {
      const d = plain();
      d.placements![0].y = y;
      return weightOf(d).states.find((s) => s.id === 'full')!.streetShare;
    };
    near(share('20 cm') + share('80 cm'), 1, 1e-9);
    expect(share('20 cm')).toBeLessThan(0.5);
  });
  test('what a scale shows empty is what it weighs, and where', () => {
    const d = plain();
    const known = weightOf(d).states.find((s) => s.id === 'empty')!;
    d.platform!.empty = { by: 'scale', axles: [`${known.axles[0]} kg`], tongue: `${known.tongueKg} kg`, height: '50 cm' };
    const again = weightOf(d).states.find((s) => s.id === 'full')!;
    const full = weightOf(plain()).states.find((s) => s.id === 'full')!;
    near(again.tongueKg!, full.tongueKg!, 1e-6);
    near(again.axles[0], full.axles[0], 1e-6);
  });
});

/** The same with its axle where it stands well empty too. */
function sound(): RigDocument {
  const d = plain();
  d.platform!.empty = { by: 'centre', mass: '500 kg', at: '1.72 m', height: '50 cm' };
  return d;
}

describe('ratings', () => {
  test('over one is a stop, near one is told, the coupling light or heavy is told', () => {
    expect(codes(sound())).toEqual([]);
    const over = sound();
    over.platform!.gvwr = '1490 kg';
    expect(codes(over)).toContain('stop over-gross');
    const close = sound();
    close.platform!.gvwr = '1550 kg';
    expect(codes(close)).toContain('tight over-gross');
    const axle = sound();
    axle.platform!.axles[0].rating = '1250 kg';
    expect(codes(axle)).toContain('stop over-axle');
    const coupling = sound();
    coupling.platform!.coupling!.rating = '190 kg';
    expect(codes(coupling)).toContain('stop over-coupling');
    const light = sound();
    light.placements![0].x = '1.4 m';
    expect(codes(light)).toContain('tight tongue-light');
    const sways = sound();
    sways.placements![0].x = '2.2 m';
    expect(codes(sways)).toContain('stop tongue-light');
    const heavy = sound();
    heavy.placements![0].x = '0.6 m';
    expect(codes(heavy)).toContain('tight tongue-heavy');
  });
  test('exactly at a rating is not over it', () => {
    const d = sound();
    const { massKg } = weightOf(d).states.find((s) => s.id === 'full')!;
    d.platform!.gvwr = `${massKg} kg`;
    expect(codes(d)).toEqual(['tight over-gross']);
  });
  test('a tank that only the day fills is judged by the day, and its full weight told', () => {
    const d = sound();
    d.platform!.gvwr = '1400 kg';
    expect(codes(d)).toContain('stop over-gross');
    d.platform!.road = 'day';
    expect(codes(d)).toEqual(['tight over-gross']);
  });
  test('without brakes a heavy trailer is told', () => {
    const d = sound();
    d.platform!.brakes = 'none';
    expect(codes(d)).toEqual(['tight no-brakes']);
  });
  test('too much to one side, and too high, is told', () => {
    const side = sound();
    side.placements![0].y = '0.2 m';
    expect(codes(side)).toContain('tight side-heavy');
    const high = sound();
    high.tanks[0].base = '1.9 m';
    expect(codes(high).some((c) => c.endsWith('tips'))).toBe(true);
  });
  test('a tongue on a truck’s hitch is one more mass behind its rear axle', () => {
    const d = sound();
    d.platform!.tow = {
      name: 'Van',
      wheelbase: '3 m',
      overhang: '1 m',
      front: '1200 kg',
      rear: '1000 kg',
      rearRating: '1200 kg',
      gvwr: '3000 kg',
      hitch: '250 kg',
      combined: '4500 kg',
    };
    const s = weightOf(d).states.find((x) => x.id === 'full')!;
    near(s.tow!.rearKg, 1000 + (s.tongueKg! * 4) / 3, 1e-9);
    near(s.tow!.frontKg, 1200 - s.tongueKg! / 3, 1e-9);
    expect(codes(d)).toContain('stop over-tow');
  });
  test('a shelf that carries too much is a stop', () => {
    const d = layout('boosted-skid');
    d.gear!.find((g) => g.kind === 'shelf')!.carries = '60 lb';
    expect(codes(d)).toContain('stop over-shelf');
  });
  test('a ticket far from the reckoning is told, one near it is not', () => {
    const d = sound();
    const s = weightOf(d).states.find((x) => x.id === 'full')!;
    d.platform!.ticket = { filled: 'full', axles: [`${s.axles[0] * 1.02} kg`], tongue: `${s.tongueKg} kg` };
    expect(codes(d)).toEqual([]);
    d.platform!.ticket.axles = [`${s.axles[0] * 1.1} kg`];
    expect(codes(d)).toEqual(['tight ticket-off']);
  });
  test('on a slope it may tip back when unhitched', () => {
    const d = sound();
    d.platform!.slope = { nose: '5 %', kerb: '0 %' };
    expect(codes(d)).toEqual([]);
    d.placements![0].x = '1.5 m';
    d.platform!.slope.nose = '30 %';
    expect(codes(d)).toContain('stop slope-tips');
  });
});

describe('what is not placed', () => {
  test('keeps the weight from being judged, and nothing is called within ratings', () => {
    const d = layout('big-tank');
    d.placements = d.placements!.filter((p) => p.thing !== 'water');
    const a = assess(parseRig(d));
    expect(a.weight!.judged).toBe(false);
    expect(a.weight!.unplaced).toEqual(['water']);
    expect(a.findings.filter((f) => f.station === 'weight')).toEqual([]);
  });
  test('but a platform that is too weak already is told', () => {
    const d = layout('big-tank');
    d.placements = d.placements!.filter((p) => p.thing !== 'drum');
    d.platform!.gvwr = '5000 lb';
    expect(codes(d)).toEqual(['stop over-gross']);
  });
  test('fuel weighs by what is left of it: none when all is empty, half of it half full, and less as the day burns it', () => {
    const d = layout('crew-of-four');
    const rig = parseRig(d);
    const w = weightOf(d);
    const kg = (id: string): number => w.states.find((s) => s.id === id)!.massKg;
    const liquids = deckLoad(rig, new Stocks(rig, assumptionValues()))!.tanks.reduce(
      (sum, t) => sum + liquidAt(t!, Math.min(t!.tank.fullLevel, shapeHeight(t!.tank.shape))).massKg,
      0,
    );
    // 32 gal on the deck and a gallon on each of two engines, 6.1 lb a gallon.
    const fuelKg = 34 * 6.1 * 0.45359237;
    near(kg('full') - kg('empty'), liquids + fuelKg, 1e-9);
    near(kg('full') - kg('half'), (liquids + fuelKg) / 2, 1e-9);
    const day = simulateDay(rig);
    const track = weighDay(rig, day)!;
    const water = (k: number): number => day.trace!.volumeM3.reduce((sum, row, i) => sum + row[k] * densityOf(i), 0);
    const densityOf = (i: number): number => deckLoad(rig, new Stocks(rig, assumptionValues()))!.tanks[i]!.densityKgM3;
    const last = day.trace!.timeS.length - 1;
    const total = (k: number): number => track.track.axles.reduce((sum, a) => sum + a[k], 0);
    expect(day.fuelKg).toBeGreaterThan(2);
    near(total(0) - total(last), water(0) - water(last) + day.fuelKg, 1e-6);
  });
  test('a rig without a platform has no weight', () => {
    const d = layout('big-tank');
    delete d.platform;
    delete d.placements;
    expect(assess(parseRig(d)).weight).toBeUndefined();
  });
});

describe('on every layout', () => {
  test.each(LAYOUTS.map((l) => l.id))('%s: supports carry the whole, no moment is left, tongue and axles add up', (id) => {
    const rig = parseRig(layout(id));
    const stocks = new Stocks(rig, assumptionValues());
    const load = deckLoad(rig, stocks)!;
    const masses = [...load.fixed, ...load.fuel, ...load.tanks.map((t) => liquidAt(t!, t!.tank.startLevel))];
    const w = weigh(rig.platform!, masses);
    const { front, rear, group } = supportsOf(rig.platform!);
    const onFront = w.tongueKg ?? w.axles[0];
    const onRear = w.axles.slice(w.tongueKg === undefined ? 1 : 0).reduce((a, b) => a + b, 0);
    near(onFront + onRear, w.massKg, 1e-9);
    expect(group).toBeGreaterThan(0);
    for (const about of [-3, 0, 1.7, 9]) {
      const moment = masses.reduce((s, m) => s + m.massKg * (m.x - about), 0) - onFront * (front - about) - onRear * (rear - about);
      expect(Math.abs(moment)).toBeLessThan(1e-8 * w.massKg * 10);
    }
  });
  test('all but the lesson of the two batch tanks stay within ratings, tongues 10 to 15 %', () => {
    for (const l of LAYOUTS) {
      const w = weightOf(l.make());
      expect([l.id, w.judged]).toEqual([l.id, true]);
      const told = codes(l.make());
      if (l.id === 'two-batch') expect(told).toContain('stop over-gross');
      else expect([l.id, told]).toEqual([l.id, []]);
    }
  });
  test('the single axle with two batch tanks carries either, not both', () => {
    const w = weightOf(layout('two-batch'));
    const spare = (id: string) => w.states.find((s) => s.id === id)!.payloadLeftKg;
    expect(spare('full')).toBeLessThan(0);
    expect(spare('only:walls-tank')).toBeGreaterThan(0);
    expect(spare('only:roofs-tank')).toBeGreaterThan(0);
  });
});

describe('through the day', () => {
  test.each(['big-tank', 'crew-of-four', 'tied-tanks', 'two-batch'])('%s: the worst minutes lie between empty and full, and the end is what is left', (id) => {
    const rig = parseRig(layout(id));
    const weight = assess(rig).weight!;
    const day = weighDay(rig, simulateModel(dayModel(rig)))!;
    const of = (x: string) => [...weight.states, ...day.states].find((s) => s.id === x)!;
    expect(of('worst:gross').massKg).toBeLessThanOrEqual(of('full').massKg * (1 + 1e-9));
    expect(of('worst:gross').massKg).toBeGreaterThanOrEqual(of('empty').massKg);
    for (const s of day.states)
      near(
        s.axles.reduce((a, b) => a + b, s.tongueKg ?? 0),
        s.massKg,
        1e-9,
      );
    // The way to the first job is driven with what the day starts with.
    expect(of('worst:gross').massKg).toBeGreaterThanOrEqual(of('start').massKg * (1 - 1e-9));
    expect(day.track.timeS).toHaveLength(day.track.axles[0].length);
  });
});

describe('what would help', () => {
  const fixes = (d: RigDocument) => {
    const rig = parseRig(d);
    return advise(d, rig, assess(rig)).filter((f) => f.station === 'weight');
  };
  test('too light a tongue is cured by moving water or axles, and no cure overloads anything', () => {
    const d = plain();
    d.placements![0].x = '1.45 m';
    d.platform!.empty = sound().platform!.empty;
    const found = fixes(d);
    expect(found.some((f) => f.id.includes('move-water-forward'))).toBe(true);
    expect(found.some((f) => f.id.includes('axle-back'))).toBe(true);
    expect(found[0].cures).toBe(true);
  });
  test('too heavy is cured by less water or a larger platform', () => {
    const found = fixes(layout('two-batch'));
    expect(found.some((f) => f.id.includes('carry-'))).toBe(true);
    expect(found.some((f) => f.id.includes('platform-'))).toBe(true);
  });
});

test('the centre of what is in a lying cylinder is that of its circle’s segment', () => {
  // A half circle: 4r/3π below the middle.
  near(liquidCentre({ kind: 'lying-cylinder', diameter: 1, length: 2 }, 0.5), 0.5 - (4 * 0.5) / (3 * Math.PI), 5e-3);
  near(liquidCentre({ kind: 'box', length: 1, width: 1, height: 1 }, 0.6), 0.3, 1e-12);
});

test('masses at random: forces and moments balance, and across the deck a rig and its mirror swap sides (seed 9)', () => {
  const next = seeded(9);
  const platform = parseRig(plain()).platform!;
  const { front, rear } = supportsOf(platform);
  for (let i = 0; i < 100; i++) {
    const masses = Array.from({ length: 4 }, () => ({ massKg: 100 + 900 * next(), x: 4 * next(), y: 2 * next(), z: 1 }));
    const w = weigh(platform, masses);
    const total = masses.reduce((s, m) => s + m.massKg, 0);
    near(w.axles[0] + w.tongueKg!, total, 1e-9);
    near(
      w.tongueKg! * front + w.axles[0] * rear,
      masses.reduce((s, m) => s + m.massKg * m.x, 0),
      1e-9,
    );
    const mirror = weigh(
      platform,
      masses.map((m) => ({ ...m, y: platform.width - m.y })),
    );
    near(mirror.streetShare + w.streetShare, 1, 1e-9);
    near(mirror.axles[0], w.axles[0], 1e-9);
  }
});

describe('free surfaces', () => {
  // π d⁴ / 64, l w³ / 12; a lying cylinder half full is as wide as it is high.
  test('of a round tank, of a box and of a lying one, along the deck and across it', () => {
    near(surfaceMoment({ kind: 'upright-cylinder', diameter: 1, height: 1 }, 0.5, false), Math.PI / 64, 1e-12);
    near(surfaceMoment({ kind: 'box', length: 2, width: 1, height: 1 }, 0.5, false), 2 / 12, 1e-12);
    near(surfaceMoment({ kind: 'box', length: 2, width: 1, height: 1 }, 0.5, true), 8 / 12, 1e-12);
    near(surfaceMoment({ kind: 'lying-cylinder', diameter: 1, length: 2 }, 0.5, false), 2 / 12, 1e-12);
    // A quarter up its surface is √3/2 wide.
    near(surfaceMoment({ kind: 'lying-cylinder', diameter: 1, length: 2 }, 0.25, false), (2 * (Math.sqrt(3) / 2) ** 3) / 12, 1e-9);
    near(surfaceMoment({ kind: 'lying-cylinder', diameter: 1, length: 2 }, 0.5, true), 8 / 12, 1e-12);
  });
});

test('what leans, leans on the wheels: the coupling in the middle steadies neither side', () => {
  const d = LAYOUTS.find((l) => l.id === 'carried-water')!.make();
  const rig = parseRig(d);
  const { platform } = rig;
  const w = weigh(platform!, [{ massKg: 1000, x: 1.5, y: platform!.width / 2 + 0.1, z: 1 }]);
  const track = platform!.axles[0].track;
  near(w.streetShare, 0.5 + (0.1 * 1000) / w.axles.reduce((a, b) => a + b, 0) / track, 1e-12);
  expect(w.tongueKg).not.toBe(0);
});
