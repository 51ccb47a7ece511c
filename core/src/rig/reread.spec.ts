import { LAYOUTS } from '../layouts/layouts';
import { readRig } from './read';
import { reread } from './reread';
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
