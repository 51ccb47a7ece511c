import { advise, applyFix } from '../../advise/advise';
import { assess } from '../../assess/assess';
import { addGear, moveThing, placeOf, turnThing } from '../../edit/place';
import { LAYOUTS } from '../../layouts/layouts';
import { parseRig } from '../../rig/read';
import type { RigDocument } from '../../rig/schema';
import { judged } from '../../testing/judge';
import { near } from '../../testing/near';
import { say } from '../../working/figure';

const layout = (id: string): RigDocument => LAYOUTS.find((l) => l.id === id)!.make();
const told = (d: RigDocument, code: string): string[] =>
  judged(d)
    .findings.filter((f) => f.code === code)
    .map((f) => say(f.message, 'us').replace(/[\u00a0\u202f]/g, ' '));
const pointOf = (d: RigDocument, thing: string, what: string) => judged(d).plan!.hands.find((h) => h.thing === thing && h.what === what);
const INCH = 0.0254;

describe('start, oil and fuel of an engine are each judged by itself', () => {
  test('every engine of every layout has its start and its drain, and a cap where it drinks from its own tank', () => {
    for (const l of LAYOUTS) {
      const rig = parseRig(l.make());
      const { hands } = assess(rig).plan!;
      for (const m of rig.machines.filter((x) => (x.drive ?? 'petrol') === 'petrol')) {
        const remote = rig.fuelLines.some((x) => x.to === m.id);
        const whats = hands.filter((h) => h.thing === m.id).map((h) => h.what);
        expect(whats).toEqual(expect.arrayContaining(['start', 'oil-drain']));
        expect([l.id, m.id, whats.includes('fuel-cap')]).toEqual([l.id, m.id, m.engine?.own !== undefined && !remote]);
      }
    }
  });
  test('oil is let out low, at its own side, into what room is there', () => {
    const d = layout('two-gun-split');
    const [start, drain] = [pointOf(d, 'washer-a', 'start')!, pointOf(d, 'washer-a', 'oil-drain')!];
    expect(drain.side).toBe(start.side);
    expect(drain.aboveGroundM).toBeLessThan(start.aboveGroundM);
    placeOf(d, 'washer-a')!.drain = 'front';
    const before = pointOf(d, 'washer-a', 'oil-drain')!;
    const [engine, rig] = [placeOf(d, 'washer-a')!, parseRig(d)];
    near(before.x, parseRig(d).placements.find((p) => p.thing === engine.thing)!.x, 1e-9);
    expect(before.inFromEdgeM).toBeLessThanOrEqual(rig.platform!.length);
  });
  test('a drain against a tank is told with what is free, and a hose to an open side cures it', () => {
    const d = layout('two-unequal');
    expect(told(d, 'drain-blocked')).toEqual([]);
    const blocked = (['front', 'rear', 'kerb'] as const).find((side) => {
      placeOf(d, 'large')!.drain = side;
      return told(d, 'drain-blocked').length > 0;
    });
    expect(blocked).toBeDefined();
    expect(told(d, 'drain-blocked')[0]).toMatch(new RegExp(`drains to the ${blocked}.*where [\\d.]+ in is free; a hand and a pan need 6 in`));
    const fix = advise(d, parseRig(d), judged(d)).find((f) => f.code === 'drain-blocked' && f.cures)!;
    expect(told(applyFix(d, fix), 'drain-blocked')).toEqual([]);
  });
  test('turned, a machine’s drain turns along', () => {
    const d = layout('two-gun-split');
    placeOf(d, 'washer-a')!.drain = 'street';
    turnThing(d, 'washer-a');
    expect(placeOf(d, 'washer-a')!.drain).toBe('rear');
  });
  test('under a shelf a cap has no room to pour; higher it has', () => {
    const d = layout('two-gun-split');
    expect(told(d, 'cap-blocked')).toEqual([]);
    const at = placeOf(d, 'washer-a')!;
    const box = judged(d).plan!.hands.find((h) => h.what === 'fuel-cap')!;
    const deckM = parseRig(d).platform!.height;
    const shelf = addGear(d, 'shelf');
    // An inch of it is its top: four are left.
    Object.assign(
      d.gear!.find((g) => g.id === shelf)!,
      { length: '40 in', width: '30 in', height: `${((box.aboveGroundM - deckM) / INCH + 5).toFixed(3)} in` },
    );
    d.placements!.push({ thing: shelf, x: at.x, y: at.y });
    expect(told(d, 'cap-blocked')).toEqual([expect.stringMatching(/ has 4 in over its fuel cap; pouring needs 10 in/)]);
    d.assumptions['cap-room'] = '2 in';
    expect(told(d, 'cap-blocked')).toEqual([]);
  });
  test('a cap higher than a hand reaches is told by its height, and so is a valve below or above', () => {
    const d = layout('big-tank');
    expect(told(d, 'handle-height')).toEqual([]);
    d.platform!.height = '5 ft 6 in';
    const said = told(d, 'handle-height');
    expect(said).toEqual(
      expect.arrayContaining([expect.stringMatching(/^The fuel cap of Fuel tank is [\d.]+ in above the ground: over 72 in it is filled only by climbing on/)]),
    );
    expect(said).toEqual(expect.arrayContaining([expect.stringMatching(/^The handles of Washer/)]));
    d.platform!.height = '8 in';
    expect(told(d, 'handle-height')).toEqual(
      expect.arrayContaining([expect.stringMatching(/^Ball valve .* at Water is 13 in above the ground; 24 in to 72 in is what a hand reaches/)]),
    );
  });
  test('an engine that is started by a cord wants an arm’s length before it, one with a key less', () => {
    const d = layout('carried-water');
    near(pointOf(d, 'washer-a', 'start')!.room!.wantedM, 36 * INCH, 1e-9);
    (d.machines[0].engine ??= {}).starter = 'electric';
    near(pointOf(d, 'washer-a', 'start')!.room!.wantedM, 18 * INCH, 1e-9);
  });
  test('a wall or a cab before a side is no room', () => {
    const d = layout('mix-tank-truck');
    placeOf(d, 'soft-pump')!.drain = 'street';
    const point = pointOf(d, 'soft-pump', 'oil-drain')!;
    expect(Number.isFinite(point.room!.freeM)).toBe(true);
    moveThing(d, 'soft-pump', 0, 2 * INCH);
    expect(pointOf(d, 'soft-pump', 'oil-drain')!.room!.freeM).toBeLessThanOrEqual(point.room!.freeM);
  });
});
