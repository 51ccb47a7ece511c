import { STATION_NAMES, stationOf } from '../testing/all-stations';
import { expectSound, openAgain, type Opened } from '../testing/open-station';

jest.mock('../kit/echarts', () => ({ init: () => ({ setOption: () => undefined, resize: () => undefined, dispose: () => undefined }) }));

const STATIONS = STATION_NAMES.filter((name) => name !== 'Options');
const LAYOUTS_PRESSED = ['small-buffer', 'two-batch', 'tied-tanks'];

const wordsOf = (b: HTMLButtonElement): string => b.textContent?.trim() || b.getAttribute('aria-label') || '';

describe.each(LAYOUTS_PRESSED)('on %s', (id) => {
  test.each(STATIONS)('every button of %s leaves a rig that reads, and a step to undo with a name', async (name) => {
    const station = await stationOf(name);
    const buttons = (s: Opened): HTMLButtonElement[] => [...s.root.querySelectorAll<HTMLButtonElement>('section.set button')];
    const { again, close } = openAgain(id, name, station, (s) => buttons(s).map(wordsOf).join('; '));
    const count = buttons(again()).length;
    for (let i = 0; i < count; i++) {
      const s = again();
      const button = buttons(s)[i];
      const words = wordsOf(button) || `button ${i}`;
      // The catalogue opens a dialog, which is tried in the browser.
      if (!button.disabled && !/Add a part|Put in from/.test(words)) {
        button.click();
        s.fixture.detectChanges();
        expectSound(s.rig, words);
        expect(s.rig.labels.every((l) => l.length > 2)).toBe(true);
      }
    }
    close();
  });
});
