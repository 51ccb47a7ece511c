import { advise } from '../../advise/advise';
import { crewOfFour } from '../../layouts/crew-of-four';
import { LAYOUTS } from '../../layouts/layouts';
import { twoBatchSingleAxle } from '../../layouts/two-batch-single-axle';
import { parseRig } from '../../rig/read';
import { judged, codes } from '../../testing/judge';
import { near } from '../../testing/near';

describe('tanks and stock', () => {
  test('an SH tank that breathes onto the deck or has no drop tube is told', () => {
    const d = twoBatchSingleAxle();
    d.tanks[0].ventTo = 'deck';
    delete d.tanks[1].dropTube;
    expect(codes(judged(d))).toEqual(expect.arrayContaining(['fumes-deck', 'no-drop-tube']));
  });
  test('too little on board for the day is starved, and a larger tank is offered', () => {
    const d = twoBatchSingleAxle();
    d.brief.washes = [{ surface: 'roof', area: '9000 ft²', perDay: '2' }];
    const a = judged(d);
    const short = a.findings.find((f) => f.code === 'stock-short')!;
    expect(short.verdict).toBe('starved');
    expect(advise(d, parseRig(d), a).some((f) => f.code === 'stock-short')).toBe(true);
  });
  test('chemicals weigh more than water: 12.5 trade % about 9.7 lb a gallon', () => {
    const l = judged(crewOfFour()).chemical.liquids[0];
    near((l.densityKgM3 * 0.003785411784) / 0.45359237, 9.7, 0.01);
  });
  test('fetched fresh costs less in the week than what age eats of it', () => {
    for (const layout of LAYOUTS) for (const l of judged(layout.make()).chemical.liquids) expect(l.keptWeek).toBeGreaterThanOrEqual(l.freshWeek * 0.999999);
  });
});
