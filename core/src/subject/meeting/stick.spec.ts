import { advise, applyFix } from '../../advise/advise.js';
import { LAYOUTS } from '../../layouts/layouts.js';
import { parseRig } from '../../rig/read.js';
import type { RigDocument } from '../../rig/schema.js';
import { judged } from '../../testing/judge';

describe('a draw stick', () => {
  /** The two-washer trailer draws SH by a stick; acid is on board beside it. */
  const trailer = (): RigDocument => {
    const d = LAYOUTS.find((l) => l.id === 'two-unequal')!.make();
    d.liquids!.push({ id: 'acid', name: 'Acid', kind: 'acid', price: '$30' });
    return d;
  };
  test('goes into any container on board: SH and acid can meet, which is a stop; kept for one it cannot', () => {
    const d = trailer();
    expect(d.mixes!.some((m) => m.way === 'draw-stick')).toBe(true);
    const told = judged(d).findings.find((f) => f.code === 'never-mix')!;
    expect(told.verdict).toBe('stop');
    expect(judged(d).chemical.meetings.find((m) => m.verdict === 'never')!.places.length).toBeGreaterThan(0);
    const fix = advise(d, parseRig(d), judged(d)).find((f) => f.code === 'never-mix' && f.cures)!;
    const after = applyFix(d, fix);
    expect(after.mixes!.find((m) => m.way === 'draw-stick')!.ownStick).toBe(true);
    expect(judged(after).findings.map((f) => f.code)).not.toContain('never-mix');
  });
  test('no layout has such a pair on board', () => {
    for (const l of LAYOUTS) expect([l.id, judged(l.make()).findings.map((f) => f.code)]).toEqual([l.id, expect.not.arrayContaining(['never-mix'])]);
  });
});

describe('the winter', () => {
  const steps = (d: RigDocument) => judged(d).chemical.winter!;
  test('never pumps antifreeze into the water tank: returns are led into the pail first, and back afterwards', () => {
    const d = LAYOUTS.find((l) => l.id === 'winter-split')!.make();
    const { away, back } = steps(d);
    const off = away.findIndex((s) => s.includes('Take each return off its water tank'));
    expect(off).toBeGreaterThanOrEqual(0);
    expect(off).toBeLessThan(away.findIndex((s) => s.startsWith('Run each machine')));
    expect(back.some((s) => s.includes('put the returns back'))).toBe(true);
  });
  test('counts the header’s own line among what is wet, once', () => {
    const d = LAYOUTS.find((l) => l.id === 'crew-of-four')!.make();
    const wet = (x: RigDocument) => steps(x).circuits.reduce((s, c) => s + c.wettedM3, 0);
    const before = wet(d);
    const main = d.lines.find((l) => l.role === 'feed' && l.to.at === 'manifold')!;
    const hose = main.parts.find((p) => p.kind === 'hose')!;
    main.parts.push({ ...hose, id: 'more' });
    const rig = parseRig(d);
    const own = rig.lines.find((l) => l.id === main.id)!.parts.find((p) => p.id === 'more')!;
    expect(wet(d) - before).toBeCloseTo(own.kind === 'hose' ? (Math.PI / 4) * own.bore ** 2 * own.length : NaN, 9);
  });
});

describe('words for what is not there', () => {
  test('a tank whose water all lies below its outlet’s reach is not “dry after 0 s”', () => {
    const d = LAYOUTS.find((l) => l.id === 'buffer-skid')!.make();
    d.tanks[0].fullLevel = '4 in';
    d.tanks[0].startLevel = '4 in';
    const told = judged(d).findings.find((f) => f.code === 'runs-dry')!;
    expect(told.verdict).toBe('starved');
    expect(told.message.template).toContain('no usable water');
  });
  test('a nozzle that lets almost nothing through is starved, whatever its gauge says', () => {
    const d = LAYOUTS.find((l) => l.id === 'buffer-skid')!.make();
    d.outlets[0].nozzle = { size: '1', angle: '15', count: '1' };
    const told = judged(d).findings.find((f) => f.code === 'unloader-cycles')!;
    expect(told.verdict).toBe('starved');
    expect(told.message.template).toContain('almost nothing');
  });
});
