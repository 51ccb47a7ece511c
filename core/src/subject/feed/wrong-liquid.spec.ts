import { advise, applyFix } from '../../advise/advise.js';
import { assess } from '../../assess/assess.js';
import { alsoFrom, feedFrom, switchInlet } from '../../edit/feed.js';
import { crewOfFour } from '../../layouts/crew-of-four.js';
import { LAYOUTS } from '../../layouts/layouts.js';
import { winterSplit } from '../../layouts/winter-split.js';
import { parseRig } from '../../rig/read.js';
import type { RigDocument } from '../../rig/schema.js';

const codes = (d: RigDocument): string[] => assess(parseRig(d)).findings.map((f) => f.code);
const mended = (d: RigDocument, code: string): RigDocument => {
  const rig = parseRig(d);
  const fix = advise(d, rig, assess(rig)).find((f) => f.code === code && f.cures);
  if (!fix) throw new Error(`Nothing cures ${code}.`);
  return applyFix(d, fix);
};

describe('what a washer must not draw', () => {
  test('chemicals as its working feed are a stop on the machine and on their tank, and a fix leads it back to water', () => {
    const d = crewOfFour();
    const sh = d.tanks.find((t) => t.name === 'SH tank')!;
    feedFrom(d, 'washer-a', `tank:${sh.id}`);
    const finding = assess(parseRig(d)).findings.find((f) => f.code === 'feed-chemical')!;
    expect(finding).toMatchObject({ verdict: 'stop', subject: { kind: 'machine', id: 'washer-a' }, also: [{ kind: 'tank', id: sh.id }] });
    expect(codes(mended(d, 'feed-chemical'))).not.toContain('feed-chemical');
  });
  test('chemicals behind a shut valve of its inlet are a stop all the same', () => {
    const d = crewOfFour();
    alsoFrom(d, 'washer-b', d.tanks.find((t) => t.name === 'SH tank')!.id);
    expect(codes(d)).toContain('feed-chemical');
    expect(codes(mended(d, 'feed-chemical'))).not.toContain('feed-chemical');
  });
  test('antifreeze behind a shut valve is what it is for; switched to for the work it is a stop', () => {
    const d = winterSplit();
    expect(codes(d)).not.toContain('feed-antifreeze');
    const tank = d.tanks.find((t) => t.liquid === 'antifreeze')!;
    const line = d.lines.find((l) => (l.role === 'feed' || l.role === 'boost') && l.from.id === tank.id)!;
    switchInlet(d, line.to.id!, line.id);
    expect(codes(d)).toContain('feed-antifreeze');
    expect(codes(mended(d, 'feed-antifreeze'))).not.toContain('feed-antifreeze');
  });
  test('no starting layout draws what it must not', () => {
    for (const l of LAYOUTS) expect([l.id, codes(l.make()).filter((c) => c.startsWith('feed-chem') || c.startsWith('feed-anti'))]).toEqual([l.id, []]);
  });
});

describe('a vacuum in a tank', () => {
  const shut = (vent: string, altitude = '0 ft'): RigDocument => {
    const d = winterSplit();
    Object.assign(d.tanks[0], { lid: 'closed', ventBore: vent });
    d.brief.altitude = altitude;
    return d;
  };
  const of = (d: RigDocument) => assess(parseRig(d)).drains[0];

  test('is never more than the air there is', () => {
    for (const [vent, altitude] of [
      ['0 in', '0 ft'],
      ['0.05 in', '0 ft'],
      ['0.05 in', '8000 ft'],
    ]) {
      const { vacuum } = of(shut(vent, altitude));
      expect(vacuum.value).toBeLessThanOrEqual(101325);
      expect(vacuum.value).toBeGreaterThan(0);
    }
    // Standard atmosphere: 8000 ft leave 75.3 kPa.
    expect(of(shut('0.05 in', '8000 ft')).vacuum.value / 75_262).toBeCloseTo(1, 2);
  });
  test('many times what the tank stands is a stop, not tight', () => {
    const verdicts = ['3 in', '0.6 in', '0.5 in', '0.3 in', '0.1 in'].map((v) => of(shut(v)));
    for (const r of verdicts) {
      const times = r.vacuum.value / 2068.4;
      expect([times.toFixed(2), r.verdict === 'stop']).toEqual([times.toFixed(2), times > 3 || r.vacuumAtDraw > 2068.5]);
    }
    expect(verdicts[0].verdict).toBe('fed');
    expect(verdicts[4].verdict).toBe('stop');
  });
});
