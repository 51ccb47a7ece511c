import { STATION_LIST } from '../stations/registry';
import { bench, render } from '../testing/render';
import { type Listed, StationList, type Worst } from './station-list';

const GROUPS = ['Ask', 'Water', 'Chemicals', 'Deck', 'Days', 'Build', 'Prove', 'Keep'];
const open = (stations: readonly Listed[], current: string, worst = new Map<string, Worst>()) => {
  bench();
  return render(StationList, { rig: 'a', stations, groups: GROUPS, current, worst });
};
const tight: Worst = { verdict: 'tight', about: 'feeding', word: 'Tight' };
const stop: Worst = { verdict: 'stop', about: 'practice', word: 'Stop' };

describe('the list of stations', () => {
  test('a group without stations is not shown; the open station’s group stands open', () => {
    const s = open(STATION_LIST, 'feed');
    const names = [...s.root.querySelectorAll('mat-panel-title')].map((x) => x.textContent.trim());
    expect(names).toEqual(['Ask', 'Water', 'Chemicals', 'Deck', 'Days']);
    expect([...s.root.querySelectorAll('.mat-expanded mat-panel-title')].map((x) => x.textContent.trim())).toEqual(['Water']);
    expect(s.root.querySelector('a[aria-current="page"]')!.textContent).toContain('Feed');
  });
  test('a group shows the worst inside it', () => {
    const s = open(
      STATION_LIST,
      'brief',
      new Map([
        ['feed', tight],
        ['dump', stop],
      ]),
    );
    const water = [...s.root.querySelectorAll('mat-expansion-panel-header')].find((x) => x.textContent.includes('Water'))!;
    expect(water.textContent).toContain('Stop');
    expect(water.textContent).not.toContain('Tight');
  });
  test('with twenty-five stations every group still opens one at a time, and each station is in one', () => {
    const made = Array.from({ length: 25 }, (_, i) => ({ id: `s${i}`, name: `Station ${i}`, group: GROUPS[i % GROUPS.length] }));
    const s = open(made, 's3');
    expect(s.root.querySelectorAll('mat-accordion a')).toHaveLength(25);
    expect(s.root.querySelectorAll('.mat-expanded mat-panel-title')).toHaveLength(1);
  });
  test('steps to the station before and after, as the list stands; nowhere past its ends', () => {
    const s = open(STATION_LIST, 'brief');
    const to = jest.spyOn(s.fixture.componentInstance, 'to').mockImplementation();
    s.fixture.componentInstance.step(-1);
    s.fixture.componentInstance.step(1);
    expect(to.mock.calls).toEqual([[undefined], ['tanks']]);
  });
});
