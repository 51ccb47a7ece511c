import { advise } from '../../advise/advise';
import { assess } from '../../assess/assess';
import { arrangeSteps, type ArrangeWay } from '../../arrange/arrange';
import { layHoses, layLine, moveThing, placeAnywhere, placeOf, setPlatform, swapThings, turnThing, unplace } from '../../edit/place';
import { platformOf } from '../../catalogue/platforms';
import { standingOn } from '../../deck/index';
import { LAYOUTS } from '../../layouts/layouts';
import { parseRig, readRig } from '../../rig/read';
import { dropPlaces } from '../../rig/drop-places';
import type { PlacementDocument, RigDocument } from '../../rig/schema';
import { near } from '../../testing/near';
import { clearBefore, overlapM } from './room';
import { heldBy } from './held';
import { assumptionValues } from '../../assumption/register';

const layout = (id: string): RigDocument => LAYOUTS.find((l) => l.id === id)!.make();
const told = (d: RigDocument): string[] =>
  assess(parseRig(d))
    .findings.filter((f) => f.station === 'plan')
    .map((f) => `${f.verdict} ${f.code} ${f.subject.id}`);
/** A clear deck with two things on it. */
function bare(places: readonly PlacementDocument[], changes: (d: RigDocument) => void = () => undefined): RigDocument {
  const d = layout('carried-water');
  setPlatform(d, platformOf('tandem-14'));
  d.gear = [];
  d.reels = [];
  d.placements = [...places];
  changes(d);
  return d;
}
const washer = (x: string, y: string, more: Partial<PlacementDocument> = {}): PlacementDocument => ({
  thing: 'washer-a',
  x,
  y,
  held: { by: 'bolts', count: '4', bolt: '3/8-16' },
  ...more,
});
const water = (x: string, y: string, more: Partial<PlacementDocument> = {}): PlacementDocument => ({
  thing: 'water',
  x,
  y,
  held: { by: 'hoops', count: '4', bolt: '1/2-13' },
  ...more,
});

describe('every layout', () => {
  test.each(LAYOUTS.map((l) => l.id))('%s: everything has a place, nothing overlaps, all is reached and held', (id) => {
    const rig = parseRig(layout(id));
    expect(assess(rig).plan!.tray).toEqual([]);
    expect(told(layout(id))).toEqual([]);
    const boxes = standingOn(rig);
    for (const t of boxes) expect([t.id, t.box !== undefined]).toEqual([t.id, true]);
  });
});

describe('room', () => {
  const box = (x0: number, x1: number, y0: number, y1: number) => ({ x0, x1, y0, y1, z0: 0, z1: 1 });
  test('boxes that touch do not overlap; what is free in front of one is up to the next', () => {
    expect(overlapM(box(0, 1, 0, 1), box(1, 2, 0, 1))).toBeCloseTo(0, 12);
    near(overlapM(box(0, 1, 0, 1), box(0.9, 2, 0.3, 2)), 0.1, 1e-9);
    near(clearBefore(box(0, 1, 0, 1), 'rear', [box(1.4, 2, 0.5, 0.6), box(3, 4, 0, 1)]), 0.4, 1e-9);
    expect(clearBefore(box(0, 1, 0, 1), 'rear', [box(1.4, 2, 1.5, 1.6)])).toBe(Infinity);
  });
  test('two things in one another are told, and a step aside cures it', () => {
    const d = bare([water('40 in', '20 in'), washer('90 in', '30 in')]);
    expect(told(d)).toContain('starved overlap water');
    const rig = parseRig(d);
    const fixes = advise(d, rig, assess(rig)).filter((f) => f.code === 'overlap');
    expect(fixes.some((f) => f.cures)).toBe(true);
  });
  test('what hangs over is told; a reel may a little', () => {
    expect(told(bare([water('40 in', '60 in')]))).toContain('starved overhang water');
    const d = layout('big-tank');
    placeOf(d, 'reel-fill')!.y = '-5 in';
    expect(told(d).filter((t) => t.includes('overhang'))).toEqual([]);
    placeOf(d, 'reel-fill')!.y = '-9 in';
    expect(told(d).some((t) => t === 'tight overhang reel-fill')).toBe(true);
  });
  test('wider than the road allows is a stop', () => {
    const d = bare([water('40 in', '68 in')]);
    expect(told(d)).toContain('stop too-wide water');
  });
  test('a washer shut in between tanks is not got at; one far in is started only by climbing on', () => {
    const d = bare(
      [washer('60 in', '30 in', { service: 'kerb' }), water('50 in', '0 in')],
      (x) => void (x.tanks[0].shape = { kind: 'box', length: '60 in', width: '24 in', height: '32 in' }),
    );
    expect(told(d)).toContain('starved no-room washer-a');
    expect(told(bare([washer('60 in', '40 in', { service: 'kerb' })]))).toContain('tight out-of-reach washer-a');
    expect(told(bare([washer('60 in', '10 in', { service: 'kerb' })]))).toEqual([]);
  });
  test('in a closed body it has to fit under the roof, and its exhaust has to get out', () => {
    const d = bare([washer('10 in', '30 in')], (x) => setPlatform(x, platformOf('enclosed-14')));
    expect(told(d)).toContain('stop exhaust-inside washer-a');
    placeOf(d, 'washer-a')!.x = '130 in';
    Object.assign(placeOf(d, 'washer-a')!, { exhaust: 'rear', service: 'kerb' });
    // At an open door the gas still comes in.
    expect(told(d)).toContain('stop exhaust-inside washer-a');
    placeOf(d, 'washer-a')!.exhaustPipe = true;
    expect(told(d).filter((t) => t.includes('exhaust'))).toEqual([]);
    d.platform!.headroom = '2 ft';
    d.placements!.push(water('40 in', '20 in'));
    expect(told(d)).toContain('starved too-high water');
  });
  test('wheel boxes and what is to stay free are kept', () => {
    const d = bare([water('40 in', '0 in')]);
    d.platform!.wheelBoxes = { from: '80 in', length: '40 in', width: '8 in', height: '10 in' };
    d.platform!.free = [{ id: 'way', name: 'the way in', x: '30 in', y: '0 in', length: '20 in', width: '20 in' }];
    expect(told(d)).toEqual(expect.arrayContaining(['starved wheel-box water', 'tight keep-free water']));
  });
});

describe('heat', () => {
  test('an exhaust at a plastic tank is a stop, turned away it is not', () => {
    const d = bare([washer('20 in', '10 in', { service: 'kerb', exhaust: 'rear' }), water('64 in', '10 in')]);
    expect(told(d)).toContain('stop exhaust-near washer-a');
    placeOf(d, 'washer-a')!.exhaust = 'front';
    expect(told(d)).toEqual([]);
  });
  test('half of the clearance kept is told only', () => {
    const d = bare([washer('10 in', '10 in', { service: 'kerb', exhaust: 'rear' }), water('70 in', '10 in')]);
    expect(told(d)).toEqual(['tight exhaust-near washer-a']);
  });
  test('an electric washer blows at nothing', () => {
    const d = bare([washer('20 in', '10 in', { service: 'kerb', exhaust: 'rear' }), water('64 in', '10 in')], (x) => void (x.machines[0].drive = 'electric'));
    expect(told(d).filter((t) => t.includes('exhaust'))).toEqual([]);
  });
});

describe('holding down', () => {
  const values = assumptionValues();
  // 4 bolts 3/8-16: 0.0775 in² each, 120 ksi, shear 0.6, safety 3; from memory.
  test('four bolts, two hoops and straps hold what the hand says', () => {
    near(heldBy({ by: 'bolts', count: 4, bolt: '3/8-16' } as never, values).value, (4 * 0.0775 * 645.16 * 827 * 0.6) / 3, 1e-3);
    near(
      heldBy({ by: 'hoops', count: 2, bolt: '3/8-16' } as never, values).value,
      heldBy({ by: 'bolts', count: 4, bolt: '3/8-16' } as never, values).value,
      1e-12,
    );
    near(heldBy({ by: 'straps', count: 4, working: 4448 } as never, values).value, 17792, 1e-9);
    // Two years in the weather: 30 % gone.
    near(heldBy({ by: 'straps', count: 4, working: 4448, age: 2 * 365.25 * 86400 } as never, values).value, 0.7 * 17792, 1e-9);
    expect(heldBy({ by: 'straps', count: 4, working: 4448, age: 20 * 365.25 * 86400 } as never, values).value).toBe(0);
  });
  test('nothing said is told, too little is a stop, and bolts enough are offered', () => {
    const d = bare([washer('20 in', '10 in', { service: 'kerb' }), { thing: 'water', x: '64 in', y: '10 in' }]);
    expect(told(d)).toEqual(['tight not-held water']);
    placeOf(d, 'water')!.held = { by: 'bolts', count: '1', bolt: '5/16-18' };
    expect(told(d)).toEqual(['stop held-weak water']);
    const rig = parseRig(d);
    expect(advise(d, rig, assess(rig)).some((f) => f.code === 'held-weak' && f.cures)).toBe(true);
  });
});

describe('hoses as the deck lies', () => {
  test('one shorter than its way is told, and cut to the deck it follows what moves', () => {
    const d = bare([washer('120 in', '10 in', { service: 'kerb' }), water('20 in', '10 in')]);
    for (const p of d.lines.find((l) => l.id === 'feed-a')!.parts) if (p.kind === 'hose') p.length = '2 ft';
    expect(told(d)).toContain('tight hose-short feed-a');
    layLine(d, 'feed-a');
    expect(told(d)).toEqual([]);
    const long = (): number => assess(parseRig(d)).plan!.lines.find((l) => l.lineId === 'feed-a')!.hoseM;
    const before = long();
    moveThing(d, 'washer-a', 0.5, 0);
    layHoses(d);
    near(long() - before, 0.5 * 1.1, 0.02);
  });
  test('a longer hose is felt at the pump', () => {
    const margin = (x: string): number => {
      const d = bare([washer(x, '10 in', { service: 'kerb' }), water('20 in', '10 in')]);
      layLine(d, 'feed-a');
      return assess(parseRig(d)).feeds[0].margin.value;
    };
    expect(margin('120 in')).toBeLessThan(margin('84 in'));
  });
  test('a washer put on a shelf draws from higher', () => {
    const on = (shelf: boolean): number => {
      const d = layout('boosted-skid');
      if (!shelf) delete placeOf(d, 'washer-a')!.on;
      const rig = parseRig(d);
      return rig.machines[0].inletHeight;
    };
    near(on(true) - on(false), 24 * 0.0254, 1e-9);
  });
});

describe('edits of a deck', () => {
  test('a thing turned four times stands where it stood', () => {
    const d = bare([washer('60 in', '20 in', { service: 'kerb', exhaust: 'rear' })]);
    const before = JSON.stringify(placeOf(d, 'washer-a'));
    for (let i = 0; i < 4; i++) turnThing(d, 'washer-a');
    expect(JSON.parse(JSON.stringify(placeOf(d, 'washer-a')))).toEqual({ ...JSON.parse(before), turned: '0' });
  });
  test('two that change places do so middle for middle, and back', () => {
    const d = bare([washer('100 in', '20 in', { service: 'kerb' }), water('20 in', '20 in')]);
    const middle = (id: string): number => {
      const b = standingOn(parseRig(d)).find((t) => t.id === id)!.box!;
      return (b.x0 + b.x1) / 2;
    };
    const [a, b] = [middle('washer-a'), middle('water')];
    swapThings(d, 'washer-a', 'water');
    near(middle('washer-a'), b, 1e-3);
    near(middle('water'), a, 1e-3);
  });
  test('what stands on a thing that is moved goes along; what is unplaced lets it down', () => {
    const d = layout('big-tank');
    const y = placeOf(d, 'reel-hose-a')!.y;
    moveThing(d, 'reel-fill', 0, 0.0254);
    near(Number.parseFloat(placeOf(d, 'reel-hose-a')!.y), Number.parseFloat(y) + 1, 1e-9);
    unplace(d, 'reel-fill');
    expect(placeOf(d, 'reel-hose-a')!.on).toBeUndefined();
    expect(readRig(d).ok).toBe(true);
  });
  test('a thing taken off the rig takes its place along', () => {
    const d = layout('big-tank');
    d.gear = d.gear!.filter((g) => g.id !== 'tool-box');
    expect(readRig(d).ok).toBe(false);
    dropPlaces(d);
    expect(readRig(d).ok).toBe(true);
  });
  test('what is stood anywhere stands free', () => {
    const d = bare([water('20 in', '20 in')]);
    placeAnywhere(d, 'washer-a');
    expect(told(d).filter((t) => t.includes('overlap'))).toEqual([]);
  });
  test('another platform leaves taps and guns where they are in the world', () => {
    const d = layout('big-tank');
    const head = (): number => assess(parseRig(d)).fills[0].arrives.value;
    const before = head();
    const height = parseRig(d).spigots[0].height;
    setPlatform(d, { ...d.platform!, height: '40 in' });
    near(parseRig(d).spigots[0].height, height, 1e-6);
    near(head(), before, 1e-9);
  });
  test('places of nothing, twice, on no shelf and in a circle are refused by name', () => {
    const problem = (change: (d: RigDocument) => void): string => {
      const d = layout('big-tank');
      change(d);
      const read = readRig(d);
      return read.ok ? '' : read.problems.map((p) => `${p.path} ${p.code}`).join('; ');
    };
    expect(problem((d) => void (d.placements![0].thing = 'nobody'))).toContain('placements.0.thing nowhere');
    expect(problem((d) => void d.placements!.push({ ...d.placements![0] }))).toContain('twice');
    expect(problem((d) => void (placeOf(d, 'water')!.on = 'drum'))).toContain('on nowhere');
    expect(problem((d) => void (placeOf(d, 'reel-fill')!.on = 'reel-hose-a'))).toContain('itself');
    expect(problem((d) => void delete d.platform!.coupling)).toContain('platform.coupling missing');
    expect(problem((d) => void d.platform!.axles.reverse())).toContain('order');
    expect(problem((d) => void (d.platform!.empty = { by: 'scale', axles: ['1000 lb'], height: '2 ft' }))).toContain('platform.empty.axles count');
  });
});

describe('arranged by search', () => {
  const arranged = (d: RigDocument, way: ArrangeWay, seed = 3, tries = 6000) => {
    const steps = arrangeSteps(d, way, seed, tries, 2);
    let told = 0;
    for (;;) {
      const step = steps.next();
      if (step.done) return { result: step.value, told };
      told++;
    }
  };
  test('everything in the tray finds a place that fits, the same for the same seed', () => {
    const d = layout('two-gun-split');
    d.placements = d.placements!.filter((p) => p.on !== undefined || d.placements!.some((q) => q.on === p.thing)).map((p) => ({ ...p, x: '0 in', y: '0 in' }));
    const { result, told: steps } = arranged(d, 'kerb');
    expect(steps).toBeGreaterThan(5);
    d.placements = result!.placements.map((p) => ({ ...p }));
    expect(assess(parseRig(d)).weight!.judged).toBe(true);
    expect(told(d).filter((t) => /overlap|overhang|exhaust/.test(t))).toEqual([]);
    expect(arranged(layout('two-gun-split'), 'kerb').result).toEqual(arranged(layout('two-gun-split'), 'kerb').result);
  });
  test('what is pinned stays, reels go where they are wanted', () => {
    const d = layout('big-tank');
    placeOf(d, 'water')!.pinned = true;
    const { result } = arranged(d, 'rear');
    const own = result!.placements.find((p) => p.thing === 'water')!;
    near(Number.parseFloat(own.x), Number.parseFloat(placeOf(d, 'water')!.x), 1e-9);
    expect(result!.placements.find((p) => p.thing === 'reel-fill')!.service).toBe('rear');
    expect(own.held).toEqual(placeOf(d, 'water')!.held);
  });
  test('asked to stay near, it moves less than when free', () => {
    const d = layout('big-tank');
    const moved = (way: ArrangeWay): number =>
      arranged(d, way).result!.placements.reduce((s, p) => {
        const was = placeOf(d, p.thing)!;
        return s + Math.abs(Number.parseFloat(p.x) - Number.parseFloat(was.x)) + Math.abs(Number.parseFloat(p.y) - Number.parseFloat(was.y));
      }, 0);
    expect(moved('near')).toBeLessThan(moved('rear'));
  });
  test('kerb, rear and near leave nothing to be told, what is newest among the rules too', () => {
    for (const id of ['buffer-skid', 'gravity-van'])
      for (const way of ['kerb', 'rear', 'near'] as const) {
        const d = layout(id);
        const steps = arrangeSteps(d, way, 3);
        let step = steps.next();
        while (!step.done) step = steps.next();
        d.placements = step.value!.placements.map((p) => ({ ...p }));
        expect([id, way, told(d).filter((t) => !t.includes('hose-short'))]).toEqual([id, way, []]);
        expect(step.value!.told).toBe(0);
      }
  });
  test('what an arrangement says of itself is what the rig so arranged says', () => {
    const d = layout('big-tank');
    const { result } = arranged(d, 'rear');
    d.placements = result!.placements.map((p) => ({ ...p }));
    const a = assess(parseRig(d));
    const full = a.weight!.states.find((s) => s.id === 'full')!;
    near(result!.tongueShare!, full.tongueShare!, 1e-12);
    expect(result!.axlesKg).toEqual(full.axles);
    expect(result!.told).toBe(
      a.findings.filter((f) => (f.station === 'plan' || f.code.startsWith('tongue') || f.station === 'weight') && f.verdict !== 'fed').length,
    );
  });
  test('without a platform there is nothing to arrange', () => {
    const d = layout('big-tank');
    delete d.platform;
    expect(arranged(d, 'kerb').result).toBeUndefined();
  });
});
