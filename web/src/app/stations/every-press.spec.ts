import type { Type } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { LAYOUTS, readRig, usualDayDocument, parseRig } from '@pozzo/core';
import { STATION_NAMES, stationOf } from '../testing/all-stations';
import { FakeRig } from '../testing/fake-rig';
import { bench, render } from '../testing/render';

jest.mock('../kit/echarts', () => ({ init: () => ({ setOption: () => undefined, resize: () => undefined, dispose: () => undefined }) }));

const STATIONS = STATION_NAMES.filter((name) => name !== 'Options');
const LAYOUTS_PRESSED = ['small-buffer', 'two-batch', 'tied-tanks'];

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
  test.each(STATIONS)('every button of %s leaves a rig that reads, and a step to undo with a name', async (name) => {
    const station = await stationOf(name);
    const first = open(id, name, station);
    const count = first.root.querySelectorAll('section.set button').length;
    first.fixture.destroy();
    for (let i = 0; i < count; i++) {
      const s = open(id, name, station);
      const button = s.root.querySelectorAll<HTMLButtonElement>('section.set button')[i];
      const words = button?.textContent?.trim() || button?.getAttribute('aria-label') || `button ${i}`;
      // The catalogue opens a dialog, which is tried in the browser.
      if (button && !button.disabled && !/Add a part|Put in from/.test(words)) {
        button.click();
        s.fixture.detectChanges();
        expectSound(s.rig, words);
        expect(s.rig.labels.every((l) => l.length > 2)).toBe(true);
      }
      s.fixture.destroy();
    }
  });
});
