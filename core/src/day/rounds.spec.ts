import { LAYOUTS } from '../layouts/layouts.js';
import { parseRig } from '../rig/read.js';
import { daysMessage, daysVerdict } from './judge.js';
import { dayModel } from './model.js';
import { DAYS_UNASKED, nextRound } from './round-size.js';
import { sampleUntilEnough } from './rounds.js';
import { chanceOf, isEnough } from './chance.js';
import { sampleDays } from './sample.js';
import { say } from '../working/figure.js';

const model = (id: string) => dayModel(parseRig(LAYOUTS.find((l) => l.id === id)!.make()));

describe('days in rounds', () => {
  test('stop where enough is known, and are the first days of a longer sample', () => {
    const m = model('buffer-skid');
    const s = sampleUntilEnough(m);
    expect(isEnough(s.short, s.tolerance) || s.days === DAYS_UNASKED).toBe(true);
    expect(sampleDays(m, s.days, 1).short).toEqual(s.short);
  });
  test('never more than the most', () => {
    expect(sampleUntilEnough(model('buffer-skid'), 500).days).toBeLessThanOrEqual(500);
    expect([nextRound(0, 2000), nextRound(400, 2000), nextRound(1600, 2000), nextRound(0, 100)]).toEqual([400, 400, 400, 100]);
  });
});

describe('days judged', () => {
  test('within what is allowed is fed, above it tight, surely far above it starved', () => {
    expect(daysVerdict({ short: chanceOf(0, 400), tolerance: 0.02, farOver: 5 })).toBe('fed');
    expect(daysVerdict({ short: chanceOf(8, 400), tolerance: 0.02, farOver: 5 })).toBe('fed');
    expect(daysVerdict({ short: chanceOf(9, 400), tolerance: 0.02, farOver: 5 })).toBe('tight');
    expect(daysVerdict({ short: chanceOf(44, 400), tolerance: 0.02, farOver: 5 })).toBe('tight');
    expect(daysVerdict({ short: chanceOf(200, 400), tolerance: 0.02, farOver: 5 })).toBe('starved');
    expect(daysVerdict({ short: { ...chanceOf(0, 0), chance: NaN }, tolerance: 0.02, farOver: 5 })).toBe('tight');
  });
  test('say how many, beside what is allowed', () => {
    expect(say(daysMessage(chanceOf(15, 400), 0.02), 'us')).toBe('3.8% of days go short of water; 2% allowed.');
    expect(say(daysMessage(chanceOf(0, 400), 0.02), 'us')).toBe('No day in 400 goes short of water; 2% allowed.');
  });
});
