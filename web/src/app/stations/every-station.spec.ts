import { LAYOUTS } from '@pozzo/core';
import { STATION_NAMES, stationOf } from '../testing/all-stations';
import { FakeRig } from '../testing/fake-rig';
import { bench, render } from '../testing/render';

jest.mock('../kit/echarts', () => ({ init: () => ({ setOption: () => undefined, resize: () => undefined, dispose: () => undefined }) }));

/** What a builder must never read. */
const NONSENSE = /NaN|undefined|null|Infinity|\[object|no figure|∞|\{\w+\}|[‹›]/;

/** Between them they have everything: ties, headers, boosters, a straight feed, every way of mixing and every kind of pump. */
const SHOWN = ['buffer-skid', 'tied-tanks', 'boosted-skid', 'metric-header', 'small-buffer', 'two-batch', 'crew-of-four'];

describe.each(LAYOUTS.filter((l) => SHOWN.includes(l.id)).map((l) => [l.id, l] as const))('%s', (_id, layout) => {
  test.each(STATION_NAMES)('%s opens, in both unit systems, with nothing but sense on it', async (name) => {
    const station = await stationOf(name);
    const { rig, day } = bench(new FakeRig(layout.make()));
    if (name === 'Work day') day.work(12);
    const r = render(station);
    for (const units of ['us', 'metric'] as const) {
      rig.units.set(units);
      r.fixture.detectChanges();
      const text = r.text();
      expect(text.length).toBeGreaterThan(60);
      const found = NONSENSE.exec(text);
      if (found) throw new Error(`"${text.slice(Math.max(found.index - 60, 0), found.index + 40)}"`);
      expect(r.root.outerHTML.match(/.{60}[‹›].{20}/g) ?? []).toEqual([]);
      // Every field has a name, every picture its words.
      for (const box of r.root.querySelectorAll('input, mat-select'))
        if (!box.getAttribute('aria-label') && !box.getAttribute('aria-labelledby') && !box.closest('label') && !r.root.querySelector(`label[for="${box.id}"]`))
          throw new Error(`a field without a name: ${box.outerHTML.slice(0, 120)}`);
      for (const picture of r.root.querySelectorAll('svg[role=img], [role=img]')) expect(picture.getAttribute('aria-label')).toBeTruthy();
    }
    r.fixture.destroy();
  });
});
