import { assess } from '../assess/assess';
import { LAYOUTS } from '../layouts/layouts';
import { pontoonRig } from '../layouts/first-rig';
import { parseRig, readRig } from '../rig/read';
import type { RigDocument } from '../rig/schema';
import { judgeRig } from './judge-rig';
import { isDone, setAside, type ToDo, todoOf } from './todo';

const list = (d: RigDocument): readonly ToDo[] => {
  const rig = parseRig(d);
  const a = assess(rig);
  const { sample, road } = judgeRig(rig, a);
  return todoOf(rig, a, sample, road);
};
const thirsty = (flow: string): RigDocument => {
  const d = pontoonRig();
  d.spigots[0].readings[0].flow = flow;
  return d;
};
const days = (d: RigDocument): ToDo => list(d).find((x) => x.of === 'days:water')!;

test.each(LAYOUTS)('$id: every finding is on the list once, and what is said beside the verdict too', ({ make }) => {
  const rig = parseRig(make());
  const a = assess(rig);
  const todo = list(make());
  for (const f of a.findings) expect(todo.filter((x) => x.finding?.code === f.code && x.finding.subject.id === f.subject.id).length).toBeGreaterThan(0);
  expect(new Set(todo.map((x) => x.of)).size).toBe(todo.length);
  expect(judgeRig(rig, a).unchecked === undefined).toBe(!todo.some((x) => x.grade === 'unchecked'));
});

describe('what is set aside', () => {
  test('has its reason, survives a change of name, and changes no verdict', () => {
    const d = thirsty('4.2 gpm');
    expect(days(d).grade).toBe('tight');
    const before = judgeRig(parseRig(d), assess(parseRig(d))).verdict;
    setAside(d, days(d), '  The customer lets it wait.  ');
    expect(readRig(d).ok).toBe(true);
    expect(days(d).aside).toBe('The customer lets it wait.');
    d.name = 'Another';
    expect(days(d).aside).toBe('The customer lets it wait.');
    expect(judgeRig(parseRig(d), assess(parseRig(d))).verdict).toBe(before);
    setAside(d, days(d), '');
    expect(d.asides).toBeUndefined();
  });
  test('lapses when it gets worse, and holds where it gets better', () => {
    const d = thirsty('4.2 gpm');
    setAside(d, days(d), 'He knows.');
    const worse = { ...thirsty('1 gpm'), asides: d.asides };
    expect([days(worse).grade, days(worse).aside]).toEqual(['starved', undefined]);
    setAside(worse, days(worse), 'He knows.');
    const better = { ...thirsty('4.2 gpm'), asides: worse.asides };
    expect(days(better).aside).toBe('He knows.');
  });
  test('is never what is unsafe', () => {
    const d = LAYOUTS.find((l) => l.id === 'two-batch')!.make();
    d.liquids!.push({ id: 'rust', name: 'Rust remover', kind: 'acid', price: '$18' });
    d.tanks.push({ ...d.tanks[0], id: 'acid-tank', name: 'Acid', holds: 'rust' });
    const sh = d.tanks.find((t) => t.holds && t.holds !== 'rust')!.id;
    d.lines.push({ id: 'cross', role: 'tie', from: { at: 'tank', id: 'acid-tank', height: '1 in' }, to: { at: 'tank', id: sh, height: '1 in' }, parts: [] });
    const stop = list(d).find((x) => x.grade === 'stop')!;
    setAside(d, stop, 'No.');
    expect(d.asides).toBeUndefined();
    // Nor by hand in a file.
    d.asides = [{ of: stop.of, grade: 'starved', reason: 'No.' }];
    expect(list(d).find((x) => x.of === stop.of)!.aside).toBeUndefined();
    expect(isDone(list(d))).toBe(false);
  });
});
