import { assess } from '../assess/assess';
import { LAYOUTS } from '../layouts/layouts';
import { parseRig } from '../rig/read';
import type { RigDocument } from '../rig/schema';
import { roadFinding } from './judge';
import { simulateDay } from './simulate-day';
import { weighDay } from './weigh-day';

/** A trailer that is judged by what its day puts on the road: it sets out almost dry and fills at the first tap. */
function fillsOnTheWay(rating: string): RigDocument {
  const d = LAYOUTS.find((l) => l.id === 'big-tank')!.make();
  d.platform!.road = 'day';
  d.tanks.find((t) => t.id === 'water')!.startLevel = '3 in';
  d.platform!.gvwr = rating;
  return d;
}
const judged = (d: RigDocument) => {
  const rig = parseRig(d);
  const a = assess(rig);
  return { a, road: roadFinding(rig, weighDay(rig, simulateDay(rig)), a) };
};

test('what no filling tells and a minute of driving does becomes the verdict: filled at a tap and driven on, it is too heavy', () => {
  const start = judged(fillsOnTheWay('20000 lb')).a.weight!.states.find((s) => s.id === 'start')!.massKg;
  const d = fillsOnTheWay(`${Math.round(start * 1.2)} kg`);
  const { a, road } = judged(d);
  expect(a.findings.filter((f) => f.code === 'over-gross' && f.verdict === 'stop')).toEqual([]);
  expect(road).toMatchObject({ code: 'over-gross', verdict: 'stop', station: 'weight' });
});

test('a day that adds nothing to what the fillings say is silent, on every layout', () => {
  for (const l of LAYOUTS) expect([l.id, judged(l.make()).road?.code]).toEqual([l.id, undefined]);
  const bare = LAYOUTS.find((l) => l.id === 'big-tank')!.make();
  delete bare.platform;
  delete bare.placements;
  expect(judged(bare).road).toBeUndefined();
});
