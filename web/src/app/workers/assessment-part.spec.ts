import { type Assessment, asTold, LAYOUTS, readRig, reassess, type RigDocument } from '@pozzo/core';
import { partOf, type ToldAssessment, wholeOf } from './assessment-part';

/** As a message is: every branch anew (JSON would lose an Infinity). */
const clone = <T>(x: T): T =>
  (Array.isArray(x) ? x.map(clone) : typeof x === 'object' && x !== null ? Object.fromEntries(Object.entries(x).map(([k, v]) => [k, clone(v)])) : x) as T;
const of = (d: RigDocument) => {
  const r = readRig(d);
  if (!r.ok) throw new Error('unread');
  return r.rig;
};

test('what the page puts together is what the worker reckoned, edit after edit, and what was not touched stays the same object', () => {
  const d = LAYOUTS.find((l) => l.id === 'crew-of-four')!.make();
  let last = reassess(of(d));
  let sent: Assessment | undefined;
  let page: ToldAssessment | undefined;
  const step = (): { keys: number; bytes: number } => {
    const part = clone(partOf(last.assessment, sent));
    sent = last.assessment;
    page = wholeOf(part, page);
    expect(page).toEqual(asTold(last.assessment));
    expect(JSON.stringify(page)).not.toContain('"working"');
    return { keys: Object.keys(part).length, bytes: JSON.stringify(part).length };
  };
  const whole = step();
  const edits: ((x: RigDocument) => void)[] = [
    (x) => void (x.machines[0].name = 'Left'),
    (x) => void (x.outlets[0].nozzle.size = '7'),
    (x) => void (x.brief.job = '95 min'),
    (x) => void (x.tanks[0].base = '4 in'),
    (x) => void (x.machines[0].name = 'Right'),
  ];
  const sizes = edits.map((edit) => {
    edit(d);
    const before = page;
    last = reassess(of(d), last);
    const { bytes } = step();
    if (edit === edits[0]) expect(page!.feeds).toBe(before!.feeds);
    return bytes;
  });
  // A name is a small part of the whole.
  expect(sizes[0] / whole.bytes).toBeLessThan(0.2);
  expect(sizes[4] / whole.bytes).toBeLessThan(0.2);
});

test('a part without a whole before it fails loudly', () => {
  const a = reassess(of(LAYOUTS[0].make())).assessment;
  expect(() => wholeOf(partOf(a, a), undefined)).toThrow(/before the whole/);
  expect(wholeOf(partOf(a, undefined), undefined)).toEqual(asTold(a));
});
