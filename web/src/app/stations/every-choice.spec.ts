import type { Type } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { LAYOUTS, readRig, usualDayDocument, parseRig } from '@pozzo/core';
import { STATION_NAMES, stationOf } from '../testing/all-stations';
import { FakeRig } from '../testing/fake-rig';
import { bench, render, labelOf, selectsOf } from '../testing/render';

jest.mock('../kit/echarts', () => ({ init: () => ({ setOption: () => undefined, resize: () => undefined, dispose: () => undefined }) }));

const STATIONS = STATION_NAMES.filter((name) => name !== 'Options');
const LAYOUTS_PRESSED = ['small-buffer', 'tied-tanks'];

/** A rig with its day written down, opened at a station. */
function open(id: string, name: string, station: Type<unknown>) {
  TestBed.resetTestingModule();
  const doc = LAYOUTS.find((l) => l.id === id)!.make();
  doc.brief.day = usualDayDocument(parseRig(doc));
  const made = bench(new FakeRig(doc));
  if (name === 'Work day') made.day.work(4);
  return { ...made, ...render(station) };
}

/** The rig reads, and judging it throws nothing; what the fake does at every edit. */
function expectSound(rig: FakeRig, what: string): void {
  const read = readRig(rig.document());
  if (!read.ok) throw new Error(`${what}: ${read.problems[0].path}: ${read.problems[0].message}`);
}

describe.each(LAYOUTS_PRESSED)('on %s', (id) => {
  test.each(STATIONS)('every choice of %s leaves a rig that reads', async (name) => {
    const station = await stationOf(name);
    const first = open(id, name, station);
    // Rows of a kind hold the same selects over and over: the first and the second of each are tried.
    const met = new Map<string, number>();
    const sizes = selectsOf(first.fixture).map((x) => {
      const label = `${labelOf(first.root, x).replace(/\d+/g, '#')} ${x.options.map((o) => o.viewValue).join()}`;
      met.set(label, (met.get(label) ?? 0) + 1);
      return met.get(label)! > 2 ? 0 : x.options.length;
    });
    first.fixture.destroy();
    sizes.forEach((options, i) => {
      for (let o = 0; o < options; o++) {
        const s = open(id, name, station);
        const select = selectsOf(s.fixture)[i];
        const option = select.options.get(o)!;
        option._selectViaInteraction();
        s.fixture.detectChanges();
        expectSound(s.rig, `${labelOf(s.root, select)} to ${option.viewValue}`);
        s.fixture.destroy();
      }
    });
  });
});
