import { LAYOUTS } from '../layouts/layouts';
import { parseRig, readRig } from './read';
import { reread } from './reread';
import { ASKED, wiringProblems } from './wiring';
import type { RigDocument } from './schema';
import { THING_LISTS } from './schema';

const copy = (d: RigDocument): RigDocument => JSON.parse(JSON.stringify(d)) as RigDocument;

describe('a document read an edit later is refused where a whole reading refuses it', () => {
  // Each of them once called by another's name, once by none that others know, and once taken away.
  const changes: readonly [string, (list: { id: string }[], d: RigDocument) => void][] = [
    ['called as something else is', (list, d) => void (list[0].id = d.lines.at(-1)!.id === list[0].id ? d.tanks[0].id : d.lines.at(-1)!.id)],
    ['called otherwise', (list) => void (list[0].id = 'nobody-knows-it')],
    ['taken away', (list) => void list.splice(0, 1)],
    ['there twice', (list) => void list.push(list[0])],
    ['in another order', (list) => void list.reverse()],
  ];
  const had = THING_LISTS.filter((name) => LAYOUTS.some((l) => (l.make() as unknown as Record<string, object[] | undefined>)[name]?.length));
  test('most kinds of thing are on some layout', () => expect(THING_LISTS.length - had.length).toBeLessThanOrEqual(2));
  test.each(had)('%s', (name) => {
    let refused = 0;
    let tried = 0;
    for (const l of LAYOUTS) {
      const d = l.make();
      const list = (d as unknown as Record<string, { id: string }[] | undefined>)[name];
      if (!list?.length) continue;
      const first = readRig(d);
      if (!first.ok) throw new Error(l.id);
      for (const [what, change] of changes) {
        const next = copy(d);
        change((next as unknown as Record<string, { id: string }[]>)[name], next);
        const [again, whole] = [reread(next, first), readRig(next)];
        expect([l.id, what, again.ok]).toEqual([l.id, what, whole.ok]);
        if (again.ok && whole.ok) expect(again.rig).toEqual(whole.rig);
        if (!again.ok && !whole.ok) expect(again.problems).toEqual(whole.problems);
        tried++;
        if (!whole.ok) refused++;
      }
    }
    expect(refused).toBeGreaterThan(0);
    expect(tried).toBeGreaterThan(refused);
  });
  test('a gun’s nozzle, a tap’s reading, the rig’s name and the customer’s, an assumption', () => {
    for (const l of LAYOUTS) {
      const d = l.make();
      const first = readRig(d);
      if (!first.ok) throw new Error(l.id);
      const next = copy(d);
      if (next.outlets[0]) next.outlets[0].nozzle.size = '5.5';
      if (next.spigots[0]) next.spigots[0].name = 'Yard tap';
      Object.assign(next, { name: 'Another', customer: 'Harbour' });
      next.assumptions = { ...next.assumptions, 'heel-share': '60 %' };
      const [again, whole] = [reread(next, first), readRig(next)];
      if (!again.ok || !whole.ok) throw new Error(JSON.stringify([l.id, again, whole]).slice(0, 400));
      expect(again.rig).toEqual(whole.rig);
    }
  });
});

test.each(LAYOUTS.map((l) => [l.id, l] as const))('%s: what is asked of how it is wired is written down', (_id, layout) => {
  const rig = parseRig(layout.make());
  const seen = new Set<string>();
  const watched = <T extends object>(of: T, where: string): T =>
    new Proxy(of, {
      get: (from, key) => {
        // Names are put into words that nobody gets to read where nothing is wrong.
        if (typeof key === 'string' && key !== 'name' && Object.hasOwn(from, key)) seen.add(`${where}.${key}`);
        return Reflect.get(from, key) as unknown;
      },
    });
  const lists = Object.keys(ASKED).filter((key) => Array.isArray((rig as unknown as Record<string, unknown>)[key]));
  const all = Object.fromEntries(lists.map((key) => [key, (rig as unknown as Record<string, object[]>)[key].map((x) => watched(x, key))]));
  expect(wiringProblems({ ...rig, ...all, brief: watched(rig.brief, 'brief') })).toEqual([]);
  const written = new Set(Object.entries(ASKED).flatMap(([key, fields]) => fields.map((f) => `${key}.${f}`)));
  expect([...seen].filter((x) => !written.has(x))).toEqual([]);
  expect(seen.size).toBeGreaterThan(5);
});
