import { STATION_NAMES, stationOf } from '../testing/all-stations';
import { expectSound, openAgain, type Opened } from '../testing/open-station';
import { labelOf, selectsOf } from '../testing/render';

jest.mock('../kit/echarts', () => ({ init: () => ({ setOption: () => undefined, resize: () => undefined, dispose: () => undefined }) }));

const STATIONS = STATION_NAMES.filter((name) => name !== 'Options');
const LAYOUTS_PRESSED = ['small-buffer', 'tied-tanks'];

describe.each(LAYOUTS_PRESSED)('on %s', (id) => {
  test.each(STATIONS)('every choice of %s leaves a rig that reads', async (name) => {
    const station = await stationOf(name);
    const told = (s: Opened): string =>
      selectsOf(s.fixture)
        .map((x) => `${labelOf(s.root, x)} ${String(x.value)} ${x.options.length}`)
        .join('; ');
    const { again, close } = openAgain(id, name, station, told);
    const first = again();
    // Rows of a kind hold the same selects over and over: the first and the second of each are tried.
    const met = new Map<string, number>();
    const sizes = selectsOf(first.fixture).map((x) => {
      const label = `${labelOf(first.root, x).replace(/\d+/g, '#')} ${x.options.map((o) => o.viewValue).join()}`;
      met.set(label, (met.get(label) ?? 0) + 1);
      return met.get(label)! > 2 ? 0 : x.options.length;
    });
    sizes.forEach((options, i) => {
      for (let o = 0; o < options; o++) {
        const s = again();
        const select = selectsOf(s.fixture)[i];
        const option = select.options.get(o)!;
        option._selectViaInteraction();
        s.fixture.detectChanges();
        expectSound(s.rig, `${labelOf(s.root, select)} to ${option.viewValue}`);
      }
    });
    close();
  });
});
