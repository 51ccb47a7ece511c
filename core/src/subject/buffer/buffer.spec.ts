import type { Assessment } from '../assessment';
import { submergence } from '../../solve/heel';
import { judge, codes, GAL, GPM } from '../../testing/judge';
import { near } from '../../testing/near';
import { along, falls, rises } from '../../testing/trend';
import { timeToEmpty } from './buffer';

describe('a buffer', () => {
  test('runs dry on a 2 gpm spigot, and says when', () => {
    const a = judge((d) => (d.spigots[0].readings[0].flow = '2 gpm'));
    expect(a.verdict).toBe('starved');
    expect(codes(a)).toContain('runs-dry');
    const t = a.tanks[0];
    // Over its last travel the float lets in less: a little sooner than by the open float's flow.
    const open = (t.startVolumeM3 - t.heelVolumeM3) / (t.draw.value - t.inflow.value);
    expect(t.dryAfter.value).toBeLessThan(open);
    near(t.dryAfter.value, open, 0.02);
    expect(t.series.volumeM3.at(-1)).toBeCloseTo(t.heelVolumeM3, 9);
  });
  test('time to empty is volume over net flow', () => {
    near(timeToEmpty(GAL * 100, 8 * GPM, 3 * GPM), 1200, 1e-9);
    expect(timeToEmpty(1, 3, 3)).toBe(Infinity);
    expect(timeToEmpty(-1, 3, 1)).toBe(0);
  });
  /**
   * Common practice: 50 gal is too small behind 4 gpm once spigots of 2 gpm turn up; 275 gal can still be emptied by an 8.5 gpm
   * machine on a big driveway.
   */
  test.each([
    { gal: 50, box: ['30 in', '22 in', '17.5 in'], flow: '4 gpm', nozzle: '4.5', spigot: '2 gpm', job: '60 min' },
    { gal: 275, box: ['48 in', '40 in', '33 in'], flow: '8.5 gpm', nozzle: '9.5', spigot: '3 gpm', job: '2 h' },
  ])('$gal gal are emptied by $flow on a $spigot spigot in $job', ({ gal, box: [length, width, height], flow, nozzle, spigot, job }) => {
    const a = judge((d) => {
      d.tanks[0].shape = { kind: 'box', length, width, height };
      d.tanks[0].fullLevel = d.tanks[0].startLevel = height;
      d.machines[0].flow = flow;
      d.outlets[0].nozzle.size = nozzle;
      d.spigots[0].readings[0].flow = spigot;
      d.brief.job = job;
    });
    near(a.tanks[0].fullVolumeM3, gal * GAL, 0.01);
    expect(codes(a)).toContain('runs-dry');
  });
  // ANSI/HI 9.8 (from memory): a 2 in outlet at 16 gpm wants 5.2 in of water over it.
  test('a 2 in outlet at 16 gpm wants 5.2 in', () => near(submergence(0.0508, 16 * GPM) / 0.0254, 5.2, 0.01));
});

describe('the job', () => {
  const left = (a: Assessment): number => a.tanks[0].leftM3;
  test('leaves less the longer it lasts', () => falls(along(['10 min', '30 min', '60 min', '2 h', '4 h'], (d, x) => void (d.brief.job = x), left)));
  test('leaves less the more the trigger is pulled', () => falls(along(['10 %', '40 %', '70 %', '100 %'], (d, x) => void (d.brief.triggerShare = x), left)));
  test('leaves more with a larger tank', () =>
    rises(
      along(
        ['20 in', '32 in', '40 in'],
        (d, x) => {
          d.tanks[0].shape = { kind: 'box', length: '52 in', width: '36 in', height: x };
          d.tanks[0].fullLevel = d.tanks[0].startLevel = x;
        },
        left,
      ),
    ));
});
