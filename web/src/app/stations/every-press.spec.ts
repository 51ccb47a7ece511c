import { STATION_NAMES, stationOf } from '../testing/all-stations';
import { expectSound, openStation } from '../testing/open-station';

jest.mock('../kit/echarts', () => ({ init: () => ({ setOption: () => undefined, resize: () => undefined, dispose: () => undefined }) }));

const STATIONS = STATION_NAMES.filter((name) => name !== 'Options');
const LAYOUTS_PRESSED = ['small-buffer', 'two-batch', 'tied-tanks'];

describe.each(LAYOUTS_PRESSED)('on %s', (id) => {
  test.each(STATIONS)('every button of %s leaves a rig that reads, and a step to undo with a name', async (name) => {
    const station = await stationOf(name);
    const first = openStation(id, name, station);
    const count = first.root.querySelectorAll('section.set button').length;
    first.fixture.destroy();
    for (let i = 0; i < count; i++) {
      const s = openStation(id, name, station);
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
