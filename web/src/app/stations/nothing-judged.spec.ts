import { emptyRig } from '@pozzo/core';
import { STATION_NAMES, stationOf } from '../testing/all-stations';
import { FakeRig } from '../testing/fake-rig';
import { bench, render } from '../testing/render';

describe('on an empty build', () => {
  test.each(STATION_NAMES.filter((n) => n !== 'Brief'))('%s calls nothing well that was not judged, and says that there is nothing', async (name) => {
    const station = await stationOf(name);
    bench(new FakeRig(emptyRig('Empty')));
    const r = render(station);
    expect(r.root.querySelector('pz-help .finding.fed')).toBeNull();
    if (name !== 'Work day' && name !== 'Options')
      expect(r.root.querySelector('pz-help')!.textContent).toMatch(/nothing here to judge|nothing turns round|nothing to dump|No machine yet/);
    r.fixture.destroy();
  });
});
