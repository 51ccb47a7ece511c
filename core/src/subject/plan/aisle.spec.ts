import { assess } from '../../assess/assess';
import { moveThing, placeOf } from '../../edit/place';
import { LAYOUTS } from '../../layouts/layouts';
import { parseRig } from '../../rig/read';
import type { Platform, RigDocument } from '../../rig/schema';
import { say } from '../../working/figure';
import { aisleOf } from './aisle';

const box = (x0: number, x1: number, y0: number, y1: number, z1 = 1, z0 = 0) => ({ x0, x1, y0, y1, z0, z1 });
const body = (doors: Platform['doors'], headroom = 2): Platform => ({ kind: 'box-body', length: 4, width: 2, height: 1, headroom, doors }) as Platform;
/** Across the whole body but for a gap at the street side. */
const wall = (gap: number) => box(2, 2.5, 0, 2 - gap);
const engine = box(0, 0.6, 0, 0.6);
const PERSON = { aisle: 0.4, 'aisle-step': 0.2, 'aisle-stoop': 1.6, 'aisle-aslant': 0.5 };

describe('the way in', () => {
  test.each([
    ['through a gap wider than a person', 0.5, true],
    ['not through a narrower one', 0.3, false],
  ])('%s', (_, gap, gets) => {
    expect(aisleOf(body(['rear']), [wall(gap), engine], PERSON).gets(engine, 'rear', 0.7)).toBe(gets);
  });
  test('is not barred by what one steps over, nor by what hangs overhead', () => {
    const low = [{ ...wall(0), z1: 0.15 }, { ...wall(0), z0: 1.7, z1: 1.9 }, engine];
    expect(aisleOf(body(['rear']), low, PERSON).gets(engine, 'rear', 0.7)).toBe(true);
  });
  test('as high as one steps, as low as one stoops, as far aside as one reaches', () => {
    const gets = (person: Partial<typeof PERSON>, blocks: readonly ReturnType<typeof box>[], to = engine) =>
      aisleOf(body(['rear']), [...blocks, to], { ...PERSON, ...person }).gets(to, 'rear', 0.7);
    const sill = [{ ...wall(0), z1: 0.3 }];
    expect([gets({}, sill), gets({ 'aisle-step': 0.35 }, sill)]).toEqual([false, true]);
    const beam = [{ ...wall(0), z0: 1.4, z1: 1.9 }];
    expect([gets({}, beam), gets({ 'aisle-stoop': 1.3 }, beam)]).toEqual([false, true]);
    // Right before it stands something; a hand from beside it gets there.
    const before = [box(0.6, 4, 0, 0.6)];
    expect([gets({ 'aisle-aslant': 0 }, before), gets({}, before)]).toEqual([false, true]);
  });
  test('another door leads there too; without one nobody gets in', () => {
    expect(aisleOf(body(['kerb', 'rear']), [wall(0), engine], PERSON).gets(engine, 'rear', 0.7)).toBe(true);
    expect(aisleOf(body([]), [engine], PERSON).gets(engine, 'rear', 0.7)).toBe(false);
  });
  test('under a low roof nobody walks: one reaches in from the door', () => {
    const low = body(['rear'], 1.2);
    expect(aisleOf(low, [engine], PERSON).gets(engine, 'rear', 0.7)).toBe(false);
    const near = box(3, 3.6, 0, 0.6);
    expect(aisleOf(low, [near], PERSON).gets(near, 'rear', 0.7)).toBe(true);
  });
});

describe('on a rig', () => {
  const judged = (d: RigDocument) =>
    assess(parseRig(d))
      .findings.filter((f) => f.code === 'no-way-in')
      .map((f) => say(f.message, 'us').replace(/[\u00a0\u202f]/g, ' '));
  const truck = (): RigDocument => LAYOUTS.find((l) => l.id === 'mix-tank-truck')!.make();
  test('every layout leaves a way in; an open deck is not asked', () => {
    for (const l of LAYOUTS) expect([l.id, judged(l.make())]).toEqual([l.id, []]);
  });
  test('a machine shut in at the front, with the doors at the rear only, is told', () => {
    const d = truck();
    d.platform!.doors = ['rear'];
    const own = placeOf(d, 'washer-a')!;
    const rig = parseRig(d);
    const at = rig.placements.find((p) => p.thing === 'washer-a')!;
    moveThing(d, 'washer-a', -at.x, 0);
    own.service = 'front';
    const [said] = judged(d);
    expect(said).toMatch(/^Nobody gets from a door to the front of Washer: walking there needs 16 in, or a door within 28 in\./);
    own.service = 'kerb';
    d.platform!.doors = ['rear', 'kerb'];
    expect(judged(d)).toHaveLength(1);
    moveThing(d, 'washer-a', 0, -10 * 0.0254);
    expect(judged(d)).toEqual([]);
  });
});
