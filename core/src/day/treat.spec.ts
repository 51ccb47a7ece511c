import { crewOfFour } from '../layouts/crew-of-four';
import { parseRig } from '../rig/read';
import { near } from '../testing/near';
import { handsOf, inHand, triggerOf } from './hands';
import { numbered } from './usual-day';
import { simulateDay } from './simulate-day';

const washDay = (kind: 'mix' | 'pre-treat' | 'post-treat') => {
  const d = crewOfFour();
  d.brief.day = {
    starts: '8:00',
    tolerance: '2 %',
    jobs: [{ id: 'drive', name: 'Drive', water: 'tap', phases: numbered([{ kind, time: '10 min', crew: '1' }]) }],
  };
  return d;
};

test('what is treated before and after draws stock as any mix does', () => {
  const used = (kind: Parameters<typeof washDay>[0]) => simulateDay(parseRig(washDay(kind))).mixes.reduce((s, m) => s + m.usedM3, 0);
  expect(used('mix')).toBeGreaterThan(0);
  near(used('pre-treat'), used('mix'), 1e-12);
  near(used('post-treat'), used('mix'), 1e-12);
});

test('has a mix in hand, at the trigger of a mix', () => {
  const rig = parseRig(washDay('pre-treat'));
  const [phase] = rig.brief.day!.jobs[0].phases;
  expect(inHand(rig, handsOf(rig), phase).mixId).toBe(rig.mixes[0].id);
  expect(triggerOf(rig, phase)).toBe(0.8);
});
