import { LAYOUTS, mend, platformOf, PLATFORMS, type RigDocument, setPlatform, dropPlatform, readRig } from '@pozzo/core';
import { produce } from 'immer';
import { STATION_NAMES, stationOf } from '../testing/all-stations';
import { FakeRig } from '../testing/fake-rig';
import { bench, render } from '../testing/render';

jest.mock('../kit/echarts', () => ({ init: () => ({ setOption: () => undefined, resize: () => undefined, dispose: () => undefined }) }));
jest.mock('./plan/scene', () => ({ DeckScene: class {} }));

/** Lists whose things come and go while the figures of the rig before are still on the screen. */
const LISTS = [
  'tanks',
  'machines',
  'outlets',
  'lines',
  'reels',
  'mixes',
  'softPumps',
  'liquids',
  'batteries',
  'wires',
  'fuelTanks',
  'gear',
  'spigots',
] as const;

/** The rig otherwise: each platform, none, and one thing less of each kind. */
function changes(doc: RigDocument): readonly (readonly [string, RigDocument])[] {
  const of = (name: string, change: (d: RigDocument) => void): (readonly [string, RigDocument])[] => {
    const next = produce(doc, (d: RigDocument) => {
      change(d);
      mend(d);
    });
    return readRig(next).ok ? [[name, next]] : [];
  };
  return [
    ...PLATFORMS.flatMap((p) => of(p.id, (d) => setPlatform(d, platformOf(p.id)))),
    ...of('no platform', (d) => dropPlatform(d)),
    ...LISTS.flatMap((list) => (doc[list]?.length ? of(`less ${list}`, (d) => void d[list]!.pop()) : [])),
  ];
}

describe.each(['tied-tanks', 'two-unequal'])('%s', (id) => {
  test.each(STATION_NAMES)('%s stands an edit, and its undo, before either is judged', async (name) => {
    const station = await stationOf(name);
    const doc = LAYOUTS.find((l) => l.id === id)!.make();
    const { rig, day } = bench(new FakeRig(doc));
    if (name === 'Work day') day.work(3);
    const r = render(station);
    for (const [what, next] of changes(doc))
      for (const [step, at] of [
        ['done', next],
        ['undone', doc],
      ] as const)
        try {
          rig.document.set(at);
          r.fixture.detectChanges();
          // Judged, it is undone with the figures of what it was.
          rig.open(at);
          r.fixture.detectChanges();
        } catch (e) {
          throw new Error(`${what}, ${step}: ${String(e)}`, { cause: e });
        }
    r.fixture.destroy();
  });
});
