import { assess, momentAt, parseRig, pontoonRig, simulateDay } from '@pozzo/core';
import { layoutWaterway } from './waterway-layout';
import { atMoment } from './waterway-moment';

const d = pontoonRig();
const day = simulateDay(parseRig(d));
const drawn = layoutWaterway(d, assess(parseRig(d)), 'us');
const at = (seconds: number) => atMoment(drawn, d, momentAt(day, seconds)!, '8:30', 'us');

test('while washing the feed runs, the tank stands where the day has it, and nothing shouts', () => {
  const now = at(40 * 60);
  expect(now.pipes.find((p) => p.kind === 'feed')).toMatchObject({ flowing: true, loud: false, pill: { text: 'running' } });
  expect(now.pipes.find((p) => p.kind === 'fill')!.pill!.text).toMatch(/gpm in$/);
  expect(now.tanks[0]).toMatchObject({ over: '', bigSub: 'at 8:30' });
  expect(now.tanks[0].end).toBeCloseTo(momentAt(day, 2400)!.vessels[0].share, 9);
  expect([...now.pipes, ...now.tanks, ...now.nodes].some((s) => s.loud)).toBe(false);
});
test('on the road everything rests', () => {
  const now = at(60);
  expect(now.pipes.find((p) => p.kind === 'feed')).toMatchObject({ flowing: false, pill: { text: 'at rest' } });
  expect(now.pipes.find((p) => p.kind === 'fill')).toMatchObject({ flowing: false, pill: { text: 'at rest' } });
});
