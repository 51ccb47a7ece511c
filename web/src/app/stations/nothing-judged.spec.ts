import { signal } from '@angular/core';
import { emptyRig, LAYOUTS } from '@pozzo/core';
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
      expect(r.root.querySelector('pz-help')!.textContent).toMatch(
        /^No |nothing turns round|nothing to dump|No (machine|engine|tank|reel)|Nothing |not checked/,
      );
    r.fixture.destroy();
  });
});

describe('before a build is judged', () => {
  test.each(STATION_NAMES)('%s does not say that water or a way is missing', async (name) => {
    const station = await stationOf(name);
    const rig = new FakeRig(LAYOUTS.find((l) => l.id === 'crew-of-four')!.make());
    Object.assign(rig, { assessment: signal(null) });
    bench(rig);
    const r = render(station);
    expect(r.text()).not.toMatch(/no water|No water|No whole way|no open line|Nothing to show/);
    r.fixture.destroy();
  });
});
