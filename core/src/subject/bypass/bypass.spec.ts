import { judge, codes, GAL, GPM, PSI } from '../../testing/judge';
import { near } from '../../testing/near';
import { bubbleDepth, bypassTime } from './bypass';

describe('bypass', () => {
  // First law: 8 gpm at 250 psi is about 870 W.
  test('8 gpm at 250 psi heats with 870 W', () => near(8 * GPM * 250 * PSI, 870, 0.01));
  test('half a gallon turned round at that power is hot in minutes', () => {
    const t = bypassTime(0.5 * GAL * 998, 293.15, 333.15, 250 * PSI * 8 * GPM);
    expect(t / 60).toBeGreaterThan(3);
    expect(t / 60).toBeLessThan(10);
    expect(bypassTime(1, 290, 330, 0)).toBe(Infinity);
  });
  // McKeogh & Ervine 1981 (from memory): 3/4 in, 8 gpm, 1 m fall: about 0.34 m.
  test('a 3/4 in return falling 1 m drives bubbles about 0.34 m down', () => near(bubbleDepth(8 * GPM, 0.01905, 1), 0.34, 0.03));
  test('a loop to the inlet is told with its minutes', () => {
    const a = judge((d) => void (d.lines = d.lines.filter((l) => l.role !== 'bypass')));
    expect(a.bypasses[0].goesTo).toBe('inlet');
    expect(codes(a)).toContain('bypass-hot');
  });
  test('a return that falls beside the outlet brings bubbles', () => {
    const a = judge((d) => void (d.lines.find((l) => l.role === 'bypass')!.to.apart = '2 in'));
    expect(codes(a)).toContain('return-bubbles');
  });
});
