import { assess } from '../assess/assess';
import { VERDICTS } from '../subject/verdict';
import { LAYOUTS } from '../layouts/layouts';
import { parseRig, readRig } from '../rig/read';
import type { RigDocument } from '../rig/schema';
import { advise, applyFix } from './advise';

/** What is done to a good rig to get it into trouble; each is left out where the rig has no such part. */
const STRAINS: readonly (readonly [name: string, strain: (d: RigDocument) => void])[] = [
  ['weak spigots', (d) => d.spigots.forEach((s) => s.readings.forEach((r) => (r.flow = '1.5 gpm')))],
  ['thin feeds', (d) => d.lines.filter((l) => l.role === 'feed').forEach((l) => l.parts.forEach((p) => (p.bore = '5/8 in')))],
  ['large nozzles', (d) => d.outlets.forEach((o) => (o.nozzle.size = String(1.6 * Number(o.nozzle.size))))],
];

let followed = 0;

describe.each(STRAINS)('the advice for %s', (_name, strain) => {
  test.each(LAYOUTS.map((l) => [l.id, l.make] as const))('of %s holds when it is followed', (_id, make) => {
    const doc = make();
    strain(doc);
    const before = JSON.stringify(doc);
    const rig = parseRig(doc);
    const now = assess(rig);
    const fixes = advise(doc, rig, now);
    expect(new Set(fixes.map((f) => f.id)).size).toBe(fixes.length);
    for (const fix of fixes) {
      followed++;
      expect(now.findings.some((f) => f.code === fix.code && f.subject.id === fix.subjectId)).toBe(true);
      const read = readRig(applyFix(doc, fix));
      if (!read.ok) throw new Error(`${fix.id}: ${read.problems[0].message}`);
      const after = assess(read.rig);
      expect([fix.id, after.verdict]).toEqual([fix.id, fix.verdictAfter]);
      expect([fix.id, VERDICTS.indexOf(after.verdict) <= VERDICTS.indexOf(now.verdict)]).toEqual([fix.id, true]);
      if (fix.cures)
        expect([
          fix.id,
          after.findings.some(
            (f) =>
              f.code === fix.code &&
              f.subject.id === fix.subjectId &&
              VERDICTS.indexOf(f.verdict) >= VERDICTS.indexOf(now.findings.find((n) => n.code === fix.code && n.subject.id === fix.subjectId)!.verdict),
          ),
        ]).toEqual([fix.id, false]);
    }
    // The rig that was asked about is left as it was.
    expect(JSON.stringify(doc)).toBe(before);
  });
});

test('there was advice to follow', () => expect(followed).toBeGreaterThan(150));
