import { advise } from '../advise/advise';
import { assess } from '../assess/assess';
import { variantsOf } from '../choose/variants';
import { addBooster } from '../edit/booster';
import { LAYOUTS } from '../layouts/layouts';
import { parseRig } from '../rig/read';
import type { RigDocument } from '../rig/schema';
import { makeRoom } from './make-room';

const layout = (id: string): RigDocument => LAYOUTS.find((l) => l.id === id)!.make();
const told = (d: RigDocument): string[] =>
  assess(parseRig(d))
    .findings.filter((f) => f.station === 'plan')
    .map((f) => f.code);

test('a tank that grows into its neighbours gets room, and they keep their sides', () => {
  const d = layout('big-tank');
  const before = parseRig(d);
  const grown = layout('big-tank');
  const { shape } = grown.tanks[0];
  if (shape.kind === 'box') shape.width = '56 in';
  expect(told(grown).some((c) => c === 'overlap' || c === 'overhang')).toBe(true);
  const room = makeRoom(before, grown)!;
  grown.placements = [...room];
  expect(told(grown)).not.toContain('overlap');
  expect(told(grown)).not.toContain('overhang');
  expect(room.find((p) => p.thing === 'reel-fill')!.service).toBe(d.placements!.find((p) => p.thing === 'reel-fill')!.service);
  expect(room.find((p) => p.thing === 'water')!.held).toEqual(d.placements!.find((p) => p.thing === 'water')!.held);
});

test('what is new gets a place, so that the weight is still judged', () => {
  const d = layout('big-tank');
  const before = parseRig(d);
  addBooster(d, [d.lines.find((l) => l.role === 'feed' && l.from.at === 'tank')!.id], 0);
  expect(assess(parseRig(d)).weight!.judged).toBe(false);
  d.placements = [...makeRoom(before, d)!];
  expect(assess(parseRig(d)).weight!.judged).toBe(true);
});

test('where nothing stands in the way nothing is moved, and a crowded deck is left as it is', () => {
  const d = layout('big-tank');
  expect(makeRoom(parseRig(d), d)).toBeUndefined();
  const crowded = layout('big-tank');
  crowded.placements!.find((p) => p.thing === 'washer-a')!.x = '70 in';
  expect(makeRoom(parseRig(crowded), crowded)).toBeUndefined();
  const none = layout('big-tank');
  delete none.placements;
  expect(makeRoom(parseRig(none), none)).toBeUndefined();
});

test('options of other pumps and tanks fit their deck, or say that they do not', () => {
  for (const id of ['buffer-skid', 'big-tank']) {
    const d = layout(id);
    for (const v of variantsOf(d)) {
      const made = v.make();
      const a = assess(parseRig(made));
      if (!a.weight?.judged) throw new Error(`${id}, ${v.id}: ${a.weight?.unplaced.join()} has no place`);
    }
  }
});

test('a larger tank is still advised where the deck has room for it', () => {
  const d = layout('big-tank');
  d.brief.job = '6 h';
  d.spigots[0].readings[0].flow = '3 gpm';
  const rig = parseRig(d);
  const fixes = advise(d, rig, assess(rig)).filter((f) => f.code === 'runs-dry');
  expect(fixes.length).toBeGreaterThan(0);
});
