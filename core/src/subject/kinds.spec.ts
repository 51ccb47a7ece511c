import { advise } from '../advise/advise';
import { assess } from '../assess/assess';
import { LAYOUTS } from '../layouts/layouts';
import { readRig } from '../rig/read';
import { extremeRig, seeded } from '../testing/extreme-rig';
import { FINDING_KINDS, type FindingCode, severityWord } from './index';
import { gained, places } from './kind';
import { SCALES, SEVERITY_WORDS, VERDICTS } from './verdict';

const CODES = Object.keys(FINDING_KINDS) as FindingCode[];

test('every kind of finding has a figure with a direction, and words that fit it', () => {
  expect(CODES.length).toBeGreaterThan(50);
  for (const code of CODES) {
    const { figure, scale } = FINDING_KINDS[code];
    expect([code, figure.step > 0, figure.label.length > 0]).toEqual([code, true, true]);
    expect(SCALES).toContain(scale);
  }
});

test('words of severity are four a scale, all different, and only what is unsafe is called so', () => {
  for (const scale of SCALES) {
    const words = VERDICTS.map((v) => SEVERITY_WORDS[scale][v]);
    expect(new Set(words).size).toBe(4);
    expect(words.filter((w) => w === 'Unsafe')).toHaveLength(1);
  }
});

test('a mix that is too strong is not starved', () => {
  expect(severityWord({ code: 'mix-strong', verdict: 'starved' })).toBe('Far off');
  expect(severityWord({ code: 'feed-starved', verdict: 'starved' })).toBe('Starved');
  expect(severityWord({ code: 'engine-small', verdict: 'tight' })).toBe('Near limit');
});

test('better has a direction: more battery gained is a gain, less back-pressure too', () => {
  expect(gained(FINDING_KINDS['battery-short'].figure, -36_000, -3600)).toBe(32_400);
  expect(gained(FINDING_KINDS['return-tight'].figure, 5e4, 2e4)).toBe(3e4);
  expect(gained(places('x'), 2, 1)).toBe(1);
});

test('every figure of a finding is a number on the rig that has it, also at the ends of what can be typed', () => {
  const rigs = [...LAYOUTS.map((l) => l.make()), ...Array.from({ length: 60 }, (_, i) => extremeRig(seeded(i + 500)))];
  const met = new Set<string>();
  for (const d of rigs) {
    const read = readRig(d);
    if (!read.ok) continue;
    const a = assess(read.rig);
    for (const f of a.findings) {
      met.add(f.code);
      expect([f.code, Number.isNaN(FINDING_KINDS[f.code].figure.of(a, f.subject.id, read.rig))]).toEqual([f.code, false]);
    }
  }
  expect(met.size).toBeGreaterThan(25);
});

test('every fix of every layout gains in its figure’s own direction', () => {
  let fixes = 0;
  for (const l of LAYOUTS) {
    const read = readRig(l.make());
    if (!read.ok) throw new Error(l.id);
    for (const f of advise(read.document, read.rig, assess(read.rig))) {
      expect(gained(f.gain, f.gain.before, f.gain.after)).toBeGreaterThanOrEqual(FINDING_KINDS[f.code].figure.step);
      expect(f.gain.better).toBe(FINDING_KINDS[f.code].figure.better);
      fixes++;
    }
  }
  expect(fixes).toBeGreaterThan(8);
});
