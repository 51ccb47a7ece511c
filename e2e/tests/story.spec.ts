import { readFile } from 'node:fs/promises';
import { expect, expectAccessible, expectReadable, FED, headline, newBuild, openStation, saved, stationsOf, test } from './pozzo.js';

test('a weak spigot: level, verdict and mend change at once; reload keeps everything', async ({ page, server }) => {
  await page.goto(server.url);
  // Its straight job is fed; more of its days go short than the customer allows.
  await expect(page.getByRole('link', { name: /Pontoon skid/ })).toContainText('of days go short of water');
  await page.getByRole('link', { name: /Pontoon skid/ }).click();
  await expect(headline(page)).toContainText('of days go short of water; 2');

  await openStation(page, 'Fill');
  await page.getByLabel('Timed bucket').fill('2 gpm');
  await expect(headline(page)).toContainText(/Water runs dry \d+(\.\d)?.min into a 60.min job/);
  await openStation(page, 'Tanks');
  await expect(page.locator('pz-tanks-station')).toContainText(/[Ww]ater lasts \d+(\.\d)?.min on a typical spigot/);
  await expect(page.locator('pz-chart svg').first()).toBeVisible();
  const mend = page.locator('.fix', { hasText: /gal tank lasts the job$|gal tank lasts the job,/ }).first();
  await expect(mend).toContainText('clears this page');
  await mend.getByRole('button').click();
  await expect(headline(page)).not.toContainText('runs dry ');

  await saved(page);
  await page.reload();
  await openStation(page, 'Fill');
  await expect(page.getByLabel('Timed bucket')).toHaveValue('2 gpm');
});

test('a thin feed hose collapses the inlet margin; undo brings it back', async ({ page, server }) => {
  await page.goto(`${server.url}/rig/marina-pontoon/feed`);
  await expect(page.locator('pz-feed-station')).toContainText('Inlet averages');
  await page.getByRole('button', { name: /Suction hose 1 in/ }).click();
  const bore = page.locator('pz-part-fields').getByLabel('Bore', { exact: true });
  await bore.fill('1/2 in');
  await expect(headline(page)).toContainText('Washer A is starved');
  await expect(page.getByRole('button', { name: /Suction hose 1\/2 in/ })).toBeVisible();
  await bore.blur();
  await page.keyboard.press('Control+z');
  await expect(headline(page)).toHaveText(FED);
  await expect(bore).toHaveValue('1 in');
  await page.keyboard.press('Control+Shift+z');
  await expect(headline(page)).toContainText('Washer A is starved');
});

test('the yard: add, rename, duplicate, delete with undo', async ({ page, server }) => {
  await page.goto(server.url);
  await newBuild(page, 'One buffer tank, one washer');
  await expect(page).toHaveURL(/\/rig\/[0-9a-f-]{36}/);
  await expect(headline(page)).toContainText('is fed');
  await page.getByRole('link', { name: 'Pozzo, to the yard' }).click();

  await page.getByRole('button', { name: 'More for New build' }).click();
  await page.getByRole('menuitem', { name: 'Rename' }).click();
  const box = page.getByRole('textbox', { name: 'Build', exact: true });
  await box.fill('');
  await expect(page.getByText('Give it a name.')).toBeVisible();
  await box.fill('Quay trailer');
  await page.getByLabel('Customer').fill('Tram depot');
  await page.getByRole('button', { name: 'Rename' }).click();
  await expect(page.getByRole('link', { name: /Quay trailer/ })).toContainText('Tram depot');

  await page.getByRole('button', { name: 'More for Quay trailer' }).click();
  await page.getByRole('menuitem', { name: 'Duplicate' }).click();
  await expect(page.getByRole('link', { name: /Quay trailer, copy/ })).toBeVisible();

  await page.getByRole('button', { name: 'More for Quay trailer, copy' }).click();
  await page.getByRole('menuitem', { name: 'Delete' }).click();
  await expect(page.getByRole('link', { name: /Quay trailer, copy/ })).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('link', { name: /Quay trailer, copy/ })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('link', { name: /Quay trailer, copy/ })).toBeVisible();
});

test('a dialog keeps the focus where it is typed, while it opens too', async ({ page, server }) => {
  await page.goto(server.url);
  await page.getByRole('button', { name: 'More for Crew truck' }).click();
  await page.getByRole('menuitem', { name: 'Rename' }).click();
  await expect(page.getByRole('textbox', { name: 'Build', exact: true })).toBeFocused();
  await page.getByLabel('Customer').focus();
  await page.locator('mat-dialog-container.mdc-dialog--open').waitFor();
  await page.waitForTimeout(400);
  await expect(page.getByLabel('Customer')).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'More for Crew truck' })).toBeFocused();
});

test('a rig file goes out of the yard and comes back in; a broken one is told field by field', async ({ page, server }) => {
  await page.goto(server.url);
  await page.getByRole('button', { name: 'More for Stone truck' }).click();
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('menuitem', { name: 'Rig file (.json)' }).click()]);
  const file = JSON.parse(await readFile(await download.path(), 'utf8')) as { name: string; machines: { flow: string }[] };
  const json = (data: object) => ({ name: 'rig.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(data)) });
  const bring = page.getByLabel('Rig files');

  file.machines[0].flow = '9000 gpm';
  await bring.setInputFiles(json(file));
  await expect(page.getByRole('alert')).toContainText('rig.json wasn’t imported.');
  await expect(page.getByRole('alert')).toContainText('Washer, flow');
  await expectAccessible(page);

  file.machines[0].flow = '7 gpm';
  file.name = 'Brought back';
  await bring.setInputFiles(json(file));
  await expect(page).toHaveURL(/\/rig\/[0-9a-f-]{36}/);
  await expect(headline(page)).toBeVisible();
  await page.getByRole('link', { name: 'Pozzo, to the yard' }).click();
  await expect(page.getByRole('link', { name: /Brought back/ })).toBeVisible();
});

test('a field keeps what was typed, tells what is wrong, and gives it up on Escape', async ({ page, server }) => {
  await page.goto(`${server.url}/rig/marina-pontoon/tanks`);
  const length = page.getByLabel('Length', { exact: true });
  // Once its days are judged, nothing that is typed wrong changes what is said of it.
  await expect(headline(page)).toContainText('of days go short of water; 2');
  const said = (await headline(page).textContent())!;
  for (const [typed, words] of [
    ['-3 ft', 'too small: at least 2 in'],
    ['0 in', 'too small'],
    ['9999 ft', 'too large: at most 40 ft'],
    ['8 psi', 'is a pressure; a length is needed'],
    ['NaN', 'is not a number'],
    ['', 'Type a length'],
  ] as const) {
    await length.fill(typed);
    await expect(page.getByRole('alert').filter({ hasText: words })).toBeVisible();
    await expect(headline(page)).toHaveText(said);
  }
  await length.press('Escape');
  await expect(length).toHaveValue('52 in');
  await length.fill(`4' 4"`);
  await length.blur();
  await expect(length).toHaveValue(`4' 4"`);
  await length.fill('5');
  await length.press('Enter');
  await saved(page);
  await page.reload();
  await expect(length).toHaveValue('5 ft');
  await length.press('ArrowUp');
  await expect(length).toHaveValue('6 ft');
});

test('the server dies while you work: edits are kept here, then saved; nothing acknowledged is lost', async ({ page, server }) => {
  await page.goto(`${server.url}/rig/marina-pontoon/brief`);
  await page.getByLabel('Longest job').fill('75 min');
  await saved(page);
  await server.kill('SIGKILL');
  await page.getByLabel('Customer').fill('Marina, north quay');
  await expect(page.locator('header .save')).toHaveText('Offline: saved in this browser');
  await server.start();
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Longest job')).toHaveValue('75 min');
  await expect(page.getByLabel('Customer')).toHaveValue('Marina, north quay');
});

test('two tabs save the same build: both versions are shown, the person chooses', async ({ page, server, context }) => {
  await page.goto(`${server.url}/rig/marina-pontoon/brief`);
  const other = await context.newPage();
  await other.goto(`${server.url}/rig/marina-pontoon/brief`);
  await other.getByLabel('Longest job').fill('90 min');
  await saved(other);
  await page.getByLabel('Customer').fill('Harbour office');
  const clash = page.getByRole('alertdialog', { name: 'Conflict: also saved elsewhere' });
  await expect(clash).toContainText('90 min');
  await expect(clash).toContainText('Harbour office');
  await clash.getByRole('button', { name: 'Keep mine' }).click();
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Customer')).toHaveValue('Harbour office');
  await expect(page.getByLabel('Longest job')).toHaveValue('60 min');
});

test('parts are moved, doubled, removed and added by keyboard', async ({ page, server }) => {
  await page.goto(`${server.url}/rig/marina-pontoon/feed`);
  const names = page.locator('pz-line-editor .name');
  await expect(names.nth(2)).toContainText('Strainer');
  await names.nth(2).focus();
  await page.keyboard.press('Alt+ArrowUp');
  await expect(names.nth(1)).toContainText('Strainer');
  await expect(names.nth(1)).toBeFocused();
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Duplicate', exact: true }).click();
  await expect(names.nth(2)).toContainText('Strainer');
  const count = await names.count();
  await names.nth(2).focus();
  await page.keyboard.press('Delete');
  await expect(names).toHaveCount(count - 1);
  await page.getByRole('button', { name: 'Add a part' }).click();
  await page.getByLabel('Find').fill('1 in sweep');
  await page.keyboard.press('Enter');
  await expect(names.last()).toContainText('Sweep bend 90° 1 in');
});

test('show the working, hold figures, swap units', async ({ page, server }) => {
  await page.goto(`${server.url}/rig/marina-pontoon/feed`);
  await page.getByRole('button', { name: /^Feed margin/ }).click();
  const working = page.getByRole('region', { name: 'Working' });
  await expect(working).toContainText('margin = the lesser of NPSHa − NPSHr and H_in − H_min');
  await expect(working).toContainText('Hydraulic Institute');
  await page.getByRole('button', { name: 'Compare from here' }).click();
  await page.getByLabel('Pump draws').fill('9 gpm');
  await expect(page.locator('.change').first()).toContainText(/^[+−]/);
  await page.getByRole('button', { name: 'Stop comparing' }).click();
  await expect(page.locator('.change')).toHaveCount(0);
  await page.getByRole('button', { name: /^Units/ }).click();
  await expect(page.locator('pz-waterway')).toContainText('L/min');
  await page.reload();
  await expect(page.locator('pz-waterway')).toContainText('L/min');
});

test('a build that is not there, and an address that is not there', async ({ page, server }) => {
  await page.goto(`${server.url}/rig/nobody/feed`);
  await expect(page.getByRole('heading', { name: 'This build cannot be opened.' })).toBeVisible();
  await page.goto(`${server.url}/nowhere`);
  await expect(page.getByRole('heading', { name: 'There is nothing at this address.' })).toBeVisible();
});

/** Where the pontoon has nothing to show, a rig that has. */
const rigOf = (name: string): string => (/plan|weight|fuel|electrics/.test(name) ? 'tram-depot' : /mix|liquids/.test(name) ? 'dairy' : 'marina-pontoon');
const PARTS = 3;

for (const [theme, judge, what] of [
  ['light', expectAccessible, 'is free of accessibility findings'],
  ['dark', expectReadable, 'can be read in the dark'],
] as const)
  for (let part = 0; part < PARTS; part++)
    test(`every view ${what}, part ${part + 1} of ${PARTS}`, async ({ page, server }) => {
      await page.goto(server.url);
      await page.evaluate((t) => localStorage.setItem('pozzo.settings', JSON.stringify({ units: 'us', theme: t })), theme);
      await page.reload();
      await expect(page.getByRole('link', { name: /Pontoon skid/ })).toBeVisible();
      if (part === 0) await judge(page);
      await page.goto(`${server.url}/rig/marina-pontoon/brief`);
      const stations = await stationsOf(page);
      expect(stations.length).toBeGreaterThanOrEqual(17);
      for (const name of stations.filter((_, i) => i % PARTS === part)) {
        await page.goto(`${server.url}/rig/${rigOf(name)}/${name}`);
        await expect(page.locator('main.station h2').first()).toBeVisible();
        await expect(page.locator('.verdict pz-verdict')).toBeVisible();
        await judge(page);
      }
    });
