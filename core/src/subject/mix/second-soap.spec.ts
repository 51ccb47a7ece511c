import { advise } from '../../advise/advise';
import { assess } from '../../assess/assess';
import { soapOf } from '../../edit/index';
import { LAYOUTS } from '../../layouts/layouts';
import type { RigDocument } from '../../rig/schema';
import { parseRig, readRig } from '../../rig/read';
import { say } from '../../working/figure';

const twin = (): RigDocument => LAYOUTS.find((l) => l.id === 'tied-tanks')!.make();
const withSecond = (by: 'poured' | 'metered'): RigDocument => {
  const d = twin();
  soapOf(d, 0, by, 'second');
  return d;
};
const mixOf = (d: RigDocument) => assess(parseRig(d)).chemical.mixes[0];

describe('a second soap', () => {
  test('on a line of its own gets a liquid, a tank and a metering valve, and the settings meter both', () => {
    const d = withSecond('metered');
    const second = d.mixes![0].second!;
    expect(d.liquids!.find((l) => l.id === second.liquid)).toMatchObject({ name: 'Second soap', kind: 'soap' });
    expect(d.tanks.filter((t) => t.holds === second.liquid)).toHaveLength(1);
    expect(readRig(d).ok).toBe(true);
    const m = mixOf(d);
    expect(m.soaps.map((s) => s.name)).toEqual(['Soap', 'Second soap']);
    expect(m.streams.filter((s) => s.kind === 'soap')).toHaveLength(2);
    // Valves as offered, set: each soap at its own dose and the strength as wanted.
    for (const s of m.settings) {
      const part = d.lines.find((l) => l.id === s.lineId)!.parts.find((p) => p.id === s.partId)!;
      if (part.kind === 'valve') part.setting = `${100 * s.wanted} %`;
    }
    const set = mixOf(d);
    expect(set.first.value / set.wanted.value).toBeCloseTo(1, 3);
    for (const s of set.soaps) expect(s.share / s.dose).toBeCloseTo(1, 2);
  });

  test('is counted by its own dose: what a job takes, what it costs, how long its tank lasts', () => {
    const d = withSecond('poured');
    d.mixes![0].second!.dose = '2 oz/gal';
    const [one, two] = [mixOf(twin()), mixOf(d)];
    const job = two.dayM3.value / two.jobsPerDay;
    // 2 oz in a gallon of 128 oz.
    expect(two.soaps[1].perJobM3 / job).toBeCloseTo(2 / 128, 9);
    expect(two.soapPerJobM3 - one.soapPerJobM3).toBeCloseTo((job * 2) / 128, 9);
    // $26 a gallon.
    expect(two.costPerJob.value - one.costPerJob.value).toBeCloseTo(((job / 3.785411784e-3) * 26 * 2) / 128, 6);
    const liquid = assess(parseRig(d)).chemical.liquids.find((l) => l.liquidId === d.mixes![0].second!.liquid)!;
    expect(liquid.perDay.value).toBeCloseTo(two.soaps[1].perJobM3 * two.jobsPerDay, 9);
  });

  test('with its valve shut it stays out of the mix, and out again it leaves the other as the first', () => {
    const d = withSecond('metered');
    const second = d.mixes![0].second!.liquid;
    const tank = d.tanks.find((t) => t.holds === second)!.id;
    d.lines.find((l) => l.from.id === tank)!.closed = true;
    expect(mixOf(d).soaps.map((s) => s.name)).toEqual(['Soap']);
    const e = withSecond('metered');
    soapOf(e, 0, 'none', 'soap');
    expect(e.mixes![0].soap!.liquid).toBe(second);
    expect(e.mixes![0].second).toBeUndefined();
    expect(mixOf(e).soaps.map((s) => s.name)).toEqual(['Second soap']);
    soapOf(e, 0, 'none');
    expect(e.lines.some((l) => l.from.id === tank)).toBe(false);
    expect(mixOf(e).soaps).toEqual([]);
  });

  test('what it may not meet is told: a soap off the list is refused by name', () => {
    const d = withSecond('poured');
    d.mixes![0].second!.liquid = 'nowhere';
    const read = readRig(d);
    expect(read.ok ? [] : read.problems.map((p) => p.path)).toContain('mixes.0.second.liquid');
  });
});

describe('a soap far off its dose', () => {
  const valve = (setting: string): RigDocument => {
    const d = twin();
    const part = d.lines.find((l) => l.id === 'blend-soap')!.parts.find((p) => p.kind === 'valve')!;
    if (part.kind === 'valve') part.setting = setting;
    return d;
  };
  test.each([
    ['8.3 %', undefined],
    ['30 %', 'it foams'],
    ['2 %', 'runs off'],
  ])('valve at %s: %s', (setting, words) => {
    const a = assess(parseRig(valve(setting)));
    const found = a.findings.find((f) => f.code === 'soap-off');
    expect(found?.message.template.includes(words!) ?? false).toBe(words !== undefined);
  });
  test('the valves that would do are offered and cure it', () => {
    const d = valve('30 %');
    const rig = parseRig(d);
    const a = assess(rig);
    const fix = advise(d, rig, a).find((f) => f.code === 'soap-off' && f.cures);
    expect(fix && say(fix.title, 'us')).toMatch(/^Set the valves: /);
  });
});
