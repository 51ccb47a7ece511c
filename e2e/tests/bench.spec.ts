import type { Page } from '@playwright/test';
import { expect, expectAccessible, headline, openStation, saved, stationsOf, test } from './pozzo.js';

/** What is wrong with the boxes of the bench as it stands. */
const crooked = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const out: string[] = [];
    const band = [...document.querySelectorAll<HTMLElement>('.verdict, pz-start, pz-waterway')].reduce((sum, e) => sum + e.getBoundingClientRect().height, 0);
    if (band > 200) out.push(`the band is ${Math.round(band)} px high`);
    const words = [...document.querySelectorAll<HTMLElement>('pz-folded-waterway .words')].filter((w) => w.getClientRects().length > 0);
    for (const w of words) if (w.scrollWidth > w.clientWidth + 1) out.push(`"${w.textContent}" is cut off`);
    const boxes = words.map((w) => ({ text: w.textContent, box: w.getBoundingClientRect() }));
    boxes.forEach((a, i) =>
      boxes.slice(i + 1).forEach((b) => {
        const x = Math.min(a.box.right, b.box.right) - Math.max(a.box.left, b.box.left);
        const y = Math.min(a.box.bottom, b.box.bottom) - Math.max(a.box.top, b.box.top);
        if (x > 1 && y > 4) out.push(`"${a.text}" lies over "${b.text}"`);
      }),
    );
    const list = document.querySelector('pz-station-list nav')!;
    const last = [...list.querySelectorAll<HTMLElement>('mat-expansion-panel')].at(-1);
    if (last && last.getClientRects().length && last.getBoundingClientRect().bottom > window.innerHeight)
      out.push('the list of stations runs below the screen');
    if (document.documentElement.scrollWidth > window.innerWidth) out.push(`the page is ${document.documentElement.scrollWidth} px wide`);
    return out;
  });

test('every layout: the band is at most 200 px, no word of it is cut or lies over another, the list fits', async ({ page, server }) => {
  await page.goto(server.url);
  await expect(page.getByRole('link', { name: /Crew truck/ })).toBeVisible();
  const { builds } = (await (await page.request.get(`${server.url}/api/v1/builds`)).json()) as { builds: { id: string }[] };
  expect(builds.length).toBeGreaterThanOrEqual(15);
  for (const units of ['US', 'Metric']) {
    for (const { id } of builds) {
      await page.goto(`${server.url}/rig/${id}/tanks`);
      await expect(page.locator('pz-folded-waterway .row').first()).toBeVisible();
      expect([id, units, await crooked(page)]).toEqual([id, units, []]);
    }
    if (units === 'US') await page.getByRole('button', { name: /^Units/ }).click();
  }
});

const SIZES = [
  [1280, 800],
  [820, 1100],
  [390, 780],
] as const;
/** From station to station without leaving the page, whichever group of the list is open. */
async function goTo(page: Page, rig: string, station: string): Promise<void> {
  await page.locator(`pz-station-list a[href$="/rig/${rig}/${station}"]`).evaluate((a) => (a as HTMLElement).click());
  await expect(page).toHaveURL(new RegExp(`/rig/${rig}/${station}$`));
  await expect(page.locator('main.station h2').first()).toBeVisible();
}

for (const [of, rig] of [
  ['smallest', 'hill-village'],
  ['crew’s', 'crew'],
  ['metric', 'chalet'],
])
  test(`the ${of} rig: the same at every station, on a tablet and a phone too`, async ({ page, server }) => {
    await page.goto(`${server.url}/rig/${rig}/brief`);
    const stations = await stationsOf(page);
    expect(stations.length).toBeGreaterThanOrEqual(17);
    for (const station of stations) {
      await page.setViewportSize({ width: 1280, height: 800 });
      await goTo(page, rig, station);
      for (const [width, height] of SIZES) {
        await page.setViewportSize({ width, height });
        await expect(page.locator('.verdict pz-verdict')).toBeVisible();
        // On a narrow screen words of the waterway may be shortened, and its band stand as high as its headline; nothing sweeps sideways.
        const found = async (): Promise<string[]> => (await crooked(page)).filter((x) => width > 1000 || /wide/.test(x));
        // Charts and bars take a frame or two to come to another width.
        await expect(async () => expect([rig, station, width, await found()]).toEqual([rig, station, width, []])).toPass();
      }
    }
  });

test('every station on a phone from the start, not only come to it from a wide screen, does not sweep sideways', async ({ page, server }) => {
  await page.setViewportSize({ width: 390, height: 780 });
  await page.goto(`${server.url}/rig/crew/brief`);
  for (const station of await stationsOf(page)) {
    await goTo(page, 'crew', station);
    expect([station, (await crooked(page)).filter((x) => /wide/.test(x))]).toEqual([station, []]);
  }
});

test('twenty-five stations in eight groups fit the list, whichever group is open', async ({ page, server }) => {
  await page.goto(`${server.url}/rig/crew/feed`);
  await expect(page.locator('pz-folded-waterway .row').first()).toBeVisible();
  // The list as it will be: the groups that are still empty, and the longest one open, made up from those there are.
  const bottom = await page.evaluate(() => {
    const list = document.querySelector('pz-station-list mat-accordion')!;
    const panels = [...list.querySelectorAll('mat-expansion-panel')];
    const shut = panels.find((p) => !p.classList.contains('mat-expanded'))!;
    for (let i = panels.length; i < 8; i++) list.append(shut.cloneNode(true));
    const open = list.querySelector('.mat-expanded .mat-expansion-panel-body')!;
    while (open.querySelectorAll('a').length < 9) open.append(open.querySelector('a')!.cloneNode(true));
    return Math.max(...[...list.querySelectorAll('mat-expansion-panel')].map((p) => p.getBoundingClientRect().bottom));
  });
  expect(bottom).toBeLessThanOrEqual(800);
});

test('by keyboard alone: from an empty page to a rig whose tank is sized', async ({ page, server }) => {
  const press = async (name: string | RegExp, most: number): Promise<void> => {
    for (let i = 0; i < most; i++) {
      const words = await page.evaluate(() => {
        const at = document.activeElement as HTMLElement | null;
        return at?.getAttribute('aria-label') ?? at?.textContent?.trim() ?? '';
      });
      if (typeof name === 'string' ? words.startsWith(name) : name.test(words)) return page.keyboard.press('Enter');
      await page.keyboard.press('Tab');
    }
    throw new Error(`"${name}" is more than ${most} presses away.`);
  };
  await page.goto(`${server.url}/new`);
  await expect(page.getByRole('heading', { name: 'New build' })).toBeVisible();
  await page.keyboard.press('Tab');
  await press('Skip to content', 2);
  await press(/^\+?\s*Empty/, 6);
  await page.waitForURL('**/rig/**');
  for (const step of ['Add a tank', 'Add a machine', 'Connect a spigot']) {
    await expect(page.getByRole('button', { name: step })).toBeVisible();
    await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
    await press(step, 27);
  }
  await expect(page.locator('pz-start section')).toHaveCount(0);
  await expect(headline(page)).toContainText(/fed|dry|spare/i);
  // Stations by a key, the whole waterway by another.
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  await page.keyboard.press('w');
  await expect(page.locator('pz-waterway .frame svg')).toHaveAttribute('aria-label', /Waterway/);
  await page.keyboard.press('Escape');
  await expect(page.locator('pz-folded-waterway')).toBeVisible();
  await page.keyboard.press('p');
  await page.keyboard.press('p');
  await expect(page).toHaveURL(/\/tanks/);
  // A small tank runs dry; the first thing that would help is one key away.
  await page.getByLabel('Holds', { exact: false }).first().focus();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('20 gal');
  await page.keyboard.press('Enter');
  await expect(page.locator('.fix').first()).toBeVisible();
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  await page.keyboard.press('f');
  await expect(page.locator('.fix button').first()).toBeFocused();
  const before = await headline(page).textContent();
  await page.keyboard.press('Enter');
  await expect(headline(page)).not.toHaveText(before!);
  // Who works by keyboard stays where the new verdict is told.
  expect(await page.evaluate(() => document.activeElement?.className)).toContain('findings');
  await saved(page);
});

test('working opens in view, has the focus, and Escape gives it back', async ({ page, server }) => {
  await page.setViewportSize({ width: 390, height: 780 });
  await page.goto(`${server.url}/rig/marina-pontoon/feed`);
  const figure = page.getByRole('button', { name: /^Feed margin/ }).first();
  await figure.scrollIntoViewIfNeeded();
  await figure.click();
  const sheet = page.getByRole('region', { name: 'Working' });
  await expect(sheet).toBeInViewport({ ratio: 0.9 });
  await expect(sheet).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(sheet).toHaveCount(0);
  await expect(figure).toBeFocused();
  await expectAccessible(page);
});

test('the keys are listed, letters can be turned off, the guide opens at the station', async ({ page, server }) => {
  await page.goto(`${server.url}/rig/marina-pontoon/guns`);
  await expect(page.locator('pz-folded-waterway .row').first()).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('Next station');
  await expectAccessible(page);
  await page.getByLabel('Use single-letter shortcuts').click();
  await expect(page.getByLabel('Use single-letter shortcuts')).not.toBeChecked();
  await page.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('w');
  await expect(page.locator('pz-folded-waterway')).toBeVisible();
  await page.getByRole('link', { name: 'Guide' }).click();
  await expect(page).toHaveURL(/\/guide#guns$/);
  await expect(page.getByRole('heading', { name: 'Guns' })).toBeFocused();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Back to the work' }).click();
  await expect(page).toHaveURL(/\/guns/);
});

test('on a phone: five quick sums by bare numbers, in the units that are written', async ({ page, server }) => {
  await page.setViewportSize({ width: 390, height: 780 });
  const sums: [string, [string, string][], RegExp][] = [
    [
      'hose-volume',
      [
        ['Bore', '1/2'],
        ['Length', '300'],
      ],
      /3\.06/,
    ],
    [
      'nozzle-flow',
      [
        ['Nozzle number', '4'],
        ['Pressure at the nozzle', '3000'],
      ],
      /3\.46/,
    ],
    [
      'bucket-test',
      [
        ['Bucket', '5'],
        ['Time to fill', '60 s'],
      ],
      /5.gpm/,
    ],
    [
      'hose-loss',
      [
        ['Bore', '3/8'],
        ['Length', '100'],
        ['Flow', '8'],
      ],
      /psi/,
    ],
    [
      'time-to-empty',
      [
        ['Usable water', '100'],
        ['Flow out', '10'],
      ],
      /10.min/,
    ],
  ];
  for (const [name, fields, answer] of sums) {
    await page.goto(`${server.url}/sums/${name}`);
    for (const [label, text] of fields) {
      await page.getByLabel(label, { exact: true }).fill(text);
      await page.getByLabel(label, { exact: true }).blur();
    }
    await expect(page.getByRole('region', { name: 'Result' })).toContainText(answer);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  }
});

test('an empty page says what to do first, and calls nothing well', async ({ page, server }) => {
  await page.goto(`${server.url}/new`);
  await expectAccessible(page);
  await page.getByRole('button', { name: /Empty/ }).click();
  await expect(page.getByRole('button', { name: 'Add a tank' })).toBeVisible();
  await expect(headline(page)).toHaveText('No machine yet: nothing asks for water.');
  await expect(page.locator('.verdict')).not.toContainText('Fed');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Add a machine' }).click();
  await page.getByRole('button', { name: 'Add a tank' }).click();
  await expect(page.locator('pz-folded-waterway .row')).toHaveCount(1);
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(page.locator('pz-start section')).toHaveCount(0);
  await openStation(page, 'Tanks');
  await expect(page.locator('pz-tanks-station')).toContainText('Water on board');
});

test('the first page loads less than 300 kB of script, workers included, until the yard is idle', async ({ page, server }) => {
  const client = await page.context().newCDPSession(page);
  await client.send('Network.enable');
  const scripts = new Map<string, string>();
  let bytes = 0;
  client.on('Network.responseReceived', (e) => void (/\.js(\?|$)/.test(e.response.url) && scripts.set(e.requestId, e.response.url)));
  client.on('Network.loadingFinished', (e) => void (scripts.has(e.requestId) && (bytes += e.encodedDataLength)));
  await page.goto(server.url);
  await expect(page.getByRole('link', { name: /Crew truck/ })).toBeVisible();
  await page.waitForLoadState('networkidle');
  expect(scripts.size).toBeGreaterThan(5);
  expect(bytes).toBeGreaterThan(100_000);
  expect(bytes).toBeLessThan(300_000);
});

/** What moved outside the panel that was typed in, a line each; moves that follow a key are counted too. */
const watchShifts = (page: Page): Promise<void> =>
  page.evaluate(() => {
    const moved: string[] = [];
    (window as unknown as { moved: string[] }).moved = moved;
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries())
        for (const { node, previousRect: from, currentRect: to } of (
          entry as unknown as { sources: { node: Node | null; previousRect: DOMRect; currentRect: DOMRect }[] }
        ).sources) {
          const element = node instanceof Element ? node : node?.parentElement;
          // Words that are gone or new are no move; inside the column of what would help they follow one another.
          if (!element?.isConnected || !from.height || !to.height || element.closest('aside.help, section.does')) continue;
          // A word grows beside another; nothing goes up or down.
          if (Math.abs(from.y - to.y) > 6) moved.push(`${element.tagName} ${element.textContent?.trim().slice(0, 40)}: ${Math.round(to.y - from.y)} px`);
        }
    }).observe({ type: 'layout-shift', buffered: false });
  });

test('an open build fills the screen and holds still: only its columns scroll, each keeps its place, and typing moves nothing above or beside it', async ({
  page,
  server,
}) => {
  await page.goto(`${server.url}/rig/crew/weight`);
  await expect(page.locator('.verdict pz-verdict')).toBeVisible();
  await expect(page.locator('.verdict .days')).toContainText('short of water');
  const verdict = await page.locator('.verdict').boundingBox();
  expect(await page.evaluate(() => document.documentElement.scrollHeight - window.innerHeight)).toBe(0);
  const work = page.locator('section.does');
  // Its charts come a moment later.
  await expect
    .poll(() =>
      work.evaluate((e) => {
        e.scrollTop = 160;
        return e.scrollTop;
      }),
    )
    .toBe(160);
  await goTo(page, 'crew', 'guns');
  await expect(work).toHaveJSProperty('scrollTop', 0);
  await goTo(page, 'crew', 'weight');
  await expect(work).toHaveJSProperty('scrollTop', 160);
  for (const station of ['machines', 'tanks', 'guns', 'feed', 'mix']) {
    await goTo(page, 'crew', station);
    const field = page.locator('section.set pz-quantity input').first();
    await expect(field).toBeVisible();
    await page.waitForTimeout(1500);
    await watchShifts(page);
    const was = await field.inputValue();
    await field.focus();
    await field.press('ArrowUp');
    await field.press('ArrowUp');
    await page.waitForTimeout(2500);
    expect([station, await page.evaluate(() => (window as unknown as { moved: string[] }).moved)]).toEqual([station, []]);
    await field.fill(was);
  }
  expect(await page.locator('.verdict').boundingBox()).toEqual(verdict);
});

test('on paper a station is its build, what is set and what comes of it: nothing that is pressed, no dark ground', async ({ page, server }) => {
  await page.goto(`${server.url}/rig/crew/weight`);
  await expect(page.locator('.verdict .days')).toContainText('short of water');
  await page.evaluate(() => (document.documentElement.dataset['theme'] = 'dark'));
  const sheet = page.locator('header.on-paper');
  await expect(sheet).toBeHidden();
  await page.emulateMedia({ media: 'print' });
  await page.setViewportSize({ width: 720, height: 960 });
  await expect(sheet).toContainText('Crew truck · Marina pontoon crew · Weight · version');
  await expect(page.locator('pz-figure').first()).toContainText('lb');
  await expect(page.locator('pz-figure button').first()).toBeVisible();
  for (const gone of ['pz-top-bar', 'pz-station-list nav', 'pz-waterway', 'section.set button', '.unfold'])
    await expect(page.locator(gone).first()).toBeHidden();
  expect(await page.evaluate(() => getComputedStyle(document.body).backgroundColor)).toBe('rgb(255, 255, 255)');
  // Nothing is cut by a column that scrolled, or is wider than the sheet.
  expect(await page.locator('section.does').evaluate((e) => e.scrollHeight - e.clientHeight)).toBeLessThan(2);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(720);
  for (const format of ['A4', 'Letter'] as const) expect((await page.pdf({ format })).length).toBeGreaterThan(20_000);
});
