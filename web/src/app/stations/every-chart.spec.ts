import { LAYOUTS, sensitivitySteps, sizingSteps } from '@pozzo/core';
import { stationOf } from '../testing/all-stations';
import { FakeRig } from '../testing/fake-rig';
import { bench, render } from '../testing/render';

interface Drawn {
  readonly xAxis?: { readonly name?: string };
  readonly yAxis?: { readonly name?: string } | readonly { readonly name?: string }[];
  readonly series: readonly { readonly type: string; readonly data?: readonly unknown[]; readonly markLine?: { readonly data: readonly object[] } }[];
}
const mockDrawn: Drawn[] = [];
jest.mock('../kit/echarts', () => ({
  init: () => ({ setOption: (o: Drawn) => void mockDrawn.push(o), resize: () => undefined, dispose: () => undefined }),
}));

const numbersIn = (x: unknown): number[] =>
  typeof x === 'number' ? [x] : Array.isArray(x) ? x.flatMap(numbersIn) : typeof x === 'object' && x !== null ? Object.values(x).flatMap(numbersIn) : [];
const whole = <T>(steps: Generator<number, T>): T => {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
};
/** Until charts have been fetched and have drawn themselves. */
const drawn = async (): Promise<void> => {
  for (let i = 0; i < 12; i++) await new Promise((done) => setTimeout(done, 10));
};

/** Stations that draw at least one curve of an ordinary rig. */
const WITH_CHARTS = ['Tanks', 'Fill', 'Feed', 'Machines', 'Bypass', 'Guns', 'Mix', 'Liquids', 'Dump and vent', 'Work day'];

describe.each(['small-buffer', 'metric-header', 'crew-of-four'])('charts of %s', (id) => {
  test.each([...WITH_CHARTS.map((name) => [name, undefined] as const), ['Work day', 'sizing'] as const])(
    'at %s (%s) are drawn from finite numbers, on axes with names, in both unit systems',
    async (name, part) => {
      const { rig, day } = bench(new FakeRig(LAYOUTS.find((l) => l.id === id)!.make()));
      if (name === 'Work day') {
        day.work(20);
        const of = (value: unknown) => ({ state: 'done', share: 1, value, error: null }) as never;
        day.sizing.set(of(whole(sizingSteps(rig.document(), 12, 1))));
        day.swings.set(of(whole(sensitivitySteps(rig.document(), 8, 1))));
      }
      for (const units of ['us', 'metric'] as const) {
        mockDrawn.length = 0;
        rig.units.set(units);
        const s = render(await stationOf(name), name === 'Work day' ? { part: part ?? 'levels' } : {});
        await s.settle();
        await drawn();
        expect(mockDrawn.length).toBeGreaterThan(0);
        for (const option of mockDrawn) {
          expect(option.series.length).toBeGreaterThan(0);
          for (const series of option.series) {
            const numbers = [...numbersIn(series.data ?? []), ...numbersIn(series.markLine?.data ?? [])];
            expect([name, series.type, numbers.every(Number.isFinite)]).toEqual([name, series.type, true]);
          }
          const axes = [option.xAxis, ...[option.yAxis ?? []].flat()].filter((a) => a !== undefined);
          const names = axes.map((a) => a.name ?? '').join(' · ');
          expect(names).not.toMatch(/undefined|NaN/);
          if (units === 'metric') expect(names).not.toMatch(/\b(gal|psi|gpm|ft|lb)\b/);
          else expect(names).not.toMatch(/\b(bar|kPa|L\/min|kg)\b/);
        }
        // What is drawn is also said.
        for (const picture of s.root.querySelectorAll('pz-chart [role=img]')) expect(picture.getAttribute('aria-label')!.length).toBeGreaterThan(10);
        s.fixture.destroy();
      }
    },
  );
});
