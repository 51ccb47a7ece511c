import { assess } from '../assess/assess';
import { LAYOUTS } from '../layouts/layouts';
import { parseRig } from '../rig/read';
import type { RigDocument } from '../rig/schema';
import { compareOptionsSteps } from '../choose/options';
import type { Finding } from '../subject/finding';
import type { Verdict } from '../subject/verdict';
import { finished } from '../steps';
import { message } from '../working/figure';
import { chanceOf } from './chance';
import { roadFinding, verdictOf } from './judge';
import { judgeRig } from './judge-rig';
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

describe('the one verdict', () => {
  const plain = assess(parseRig(LAYOUTS.find((l) => l.id === 'small-buffer')!.make()));
  const as = (verdict: Verdict) => ({ ...plain, verdict, scale: 'rating' as const, headline: message('The rig.') });
  /** Of a hundred days so many go short; two are allowed. */
  const days = (short: number) => ({ short: chanceOf(short, 100), tolerance: 0.02, farOver: 3 });
  const road = (verdict: Verdict): Finding => ({
    code: 'over-gross',
    verdict,
    station: 'weight',
    subject: { kind: 'rig', id: 'rig' },
    message: message('The road.'),
  });
  test.each([
    ['fed', 0, undefined, 'fed', 'rig'],
    ['fed', 5, undefined, 'tight', 'days'],
    ['fed', 60, undefined, 'starved', 'days'],
    ['starved', 60, undefined, 'starved', 'rig'],
    ['fed', 60, 'tight', 'starved', 'days'],
    ['fed', 5, 'tight', 'tight', 'road'],
    ['tight', 0, 'stop', 'stop', 'road'],
    ['stop', 60, 'stop', 'stop', 'rig'],
  ] as const)('of a rig that is %s with %d short days of a hundred, the road %s, is %s, by its %s', (rig, short, on, verdict, by) => {
    expect(verdictOf(as(rig), days(short), on && road(on))).toMatchObject({ verdict, by, scale: by === 'days' ? 'feeding' : 'rating' });
  });
  test('counts no day of what nothing draws on, and none that is not known', () => {
    expect(verdictOf({ ...as('fed'), feeds: [], chemical: { ...plain.chemical, mixes: [] } }, days(60), undefined)).toMatchObject({
      verdict: 'fed',
      days: undefined,
    });
    expect(verdictOf(as('fed'), undefined, undefined)).toMatchObject({ verdict: 'fed', by: 'rig', days: undefined });
  });
  test('is the same in the yard and among the options, where a minute of driving decides it', () => {
    const start = judged(fillsOnTheWay('20000 lb')).a.weight!.states.find((s) => s.id === 'start')!.massKg;
    const d = fillsOnTheWay(`${Math.round(start * 1.2)} kg`);
    const { a } = judged(d);
    const yard = judgeRig(parseRig(d), a);
    expect(yard).toMatchObject({ verdict: 'stop', by: 'road' });
    const { rows } = finished(compareOptionsSteps([{ id: 'now', name: 'Now', rig: d }], 100, 1));
    expect(rows[0]).toMatchObject({ verdict: yard.verdict, headline: yard.headline, byDays: false });
  });
});
