import { outflowThrough } from './outflow';
import { runHeadLoss } from './friction';
import { seeded } from '../testing/near';

test('what flows out is what the head pays for, from a trickle to a torrent, also where laminar turns turbulent (seed 11)', () => {
  const random = seeded(11);
  for (let i = 0; i < 4000; i++) {
    const run = { boreM: 0.003 * 60 ** random(), lengthM: 0.05 * 2000 ** random(), roughnessM: 1.5e-6 * 1000 ** random() };
    const quadratic = 1e3 * 1e7 ** random();
    const head = 0.005 * 2000 ** random();
    const q = outflowThrough(head, quadratic, [run], 1.004e-6, random() < 0.5 ? 0 : 1e-6 * 1e4 ** random());
    const lost = quadratic * q * q + runHeadLoss(run, q, 1.004e-6);
    if (!(Math.abs(lost - head) <= 1e-8 * head)) throw new Error(`${JSON.stringify({ run, quadratic, head })}: ${q} loses ${lost}`);
  }
});
