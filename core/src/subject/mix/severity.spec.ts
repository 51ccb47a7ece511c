import { advise, applyFix } from '../../advise/advise.js';
import { assess } from '../../assess/assess.js';
import { assumptionValues } from '../../assumption/register.js';
import { LAYOUTS } from '../../layouts/layouts.js';
import { parseRig } from '../../rig/read.js';
import { Cases } from '../../solve/cases.js';
import { VERDICTS } from '../verdict.js';
import { mixFindings } from './findings.js';

const crew = () => LAYOUTS.find((l) => l.id === 'crew-of-four')!.make();
const rig = parseRig(crew());
const cases = new Cases(rig, assumptionValues(rig.assumptions));
const base = assess(rig).chemical.mixes.find((m) => m.way === 'proportioner')!;
const figure = (value: number) => ({ ...base.first, value });
/** Worst of what is told of a mix of 3 % that begins and ends the day at these strengths. */
const severity = (first: number, last: number): number =>
  Math.max(
    0,
    ...mixFindings(cases, { ...base, wanted: figure(0.03), first: figure(first / 100), last: figure(last / 100), cases: [] })
      .filter((f) => f.code === 'mix-weak' || f.code === 'mix-strong' || f.code === 'mix-drifts')
      .map((f) => VERDICTS.indexOf(f.verdict)),
  );

describe('a mix’s severity never runs backwards', () => {
  test('2.19 to 1.54 % of a wanted 3 % is no better than 2.78 to 2.03 %', () => {
    expect(severity(2.19, 1.54)).toBeGreaterThanOrEqual(severity(2.78, 2.03));
    expect(severity(2.19, 1.54)).toBe(VERDICTS.indexOf('starved'));
  });
  test('further from what is wanted, at either end of the day, is never told as less', () => {
    for (let first = 3; first >= 0.4; first -= 0.1)
      for (let last = first; last >= 0.2; last -= 0.1) {
        expect(severity(first, last - 0.1)).toBeGreaterThanOrEqual(severity(first, last));
        expect(severity(first - 0.1, Math.min(last, first - 0.1))).toBeGreaterThanOrEqual(severity(first, last));
      }
  });
});

describe('a proportioner has its setting', () => {
  test.each(['25 %', '60 %', '90 %'])('SH valve at %s: the setting for the wanted strength is offered, and gives it', (open) => {
    const d = crew();
    const valve = d.lines
      .flatMap((l) => l.parts.map((p) => ({ l, p })))
      .find(({ l, p }) => p.kind === 'valve' && p.is === 'metering-valve' && l.from.id === 'sh-tank' && l.to.id === base.mixId)!.p;
    if (valve.kind === 'valve') valve.setting = open;
    const was = parseRig(d);
    const now = assess(was);
    const told = now.findings.find((f) => f.subject.id === base.mixId && (f.code === 'mix-weak' || f.code === 'mix-strong'));
    if (!told) throw new Error('The valve makes no trouble.');
    const fix = advise(d, was, now).find((f) => f.code === told.code && f.id.endsWith(':valves'));
    expect(fix).toBeDefined();
    const after = assess(parseRig(applyFix(d, fix!))).chemical.mixes.find((m) => m.mixId === base.mixId)!;
    expect(Math.abs(after.first.value / after.wanted.value - 1)).toBeLessThan(0.02);
  });
});
