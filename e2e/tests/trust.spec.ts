import { createServer, type Server as HttpServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { chromium } from '@playwright/test';
import { expect, expectAccessible, headline, openStation, saved, test } from './pozzo.js';

test('leaving a build right after an edit sends it; the yard and a second look have it', async ({ page, server }) => {
  await page.goto(`${server.url}/rig/marina-pontoon/brief`);
  await page.getByLabel('Customer').fill('North quay');
  await page.getByRole('link', { name: 'Pozzo, to the yard' }).click();
  await expect(page.getByRole('link', { name: /Pontoon skid/ })).toContainText('North quay');
});

test('an edit kept while the server was away is sent when the application starts anew, without opening the build', async ({ page, server }) => {
  await page.goto(`${server.url}/rig/marina-pontoon/brief`);
  await saved(page);
  await server.kill('SIGKILL');
  await page.getByLabel('Customer').fill('Kept quay');
  await expect(page.locator('header .save')).toHaveText('Offline: saved in this browser');
  await server.start();
  await page.goto(server.url);
  await expect(page.getByRole('link', { name: /Pontoon skid/ })).toContainText('Kept quay');
});

test('a tab that lost the race and is reloaded without choosing is asked again, and overwrites nothing', async ({ page, server, context }) => {
  await page.goto(`${server.url}/rig/marina-pontoon/brief`);
  const other = await context.newPage();
  await other.goto(`${server.url}/rig/marina-pontoon/brief`);
  await page.getByLabel('Longest job').fill('90 min');
  await saved(page);
  await other.getByLabel('Customer').fill('The loser');
  const clash = other.getByRole('alertdialog', { name: 'Conflict: also saved elsewhere' });
  await expect(clash).toBeVisible();
  await other.reload();
  await expect(clash).toContainText('The loser');
  await expect(clash).toContainText('90 min');
  await page.reload();
  await expect(page.getByLabel('Longest job')).toHaveValue('90 min');
  await expect(page.getByLabel('Customer')).not.toHaveValue('The loser');
  await clash.getByRole('button', { name: 'Take the other' }).click();
  await expect(other.getByLabel('Longest job')).toHaveValue('90 min');
});

test('history: what changed in words, a look, and the way back', async ({ page, server }) => {
  await page.goto(`${server.url}/rig/marina-pontoon/brief`);
  const job = page.getByRole('textbox', { name: 'Longest job' });
  await job.fill('75 min');
  await saved(page);
  await page.waitForTimeout(700);
  await saved(page);
  await job.fill('95 min');
  await page.waitForTimeout(700);
  await saved(page);
  await page.getByRole('link', { name: 'History of this build' }).click();
  await expect(page.getByRole('heading', { name: 'History of Pontoon skid' })).toBeVisible();
  await expect(page.getByText('brief, job: 75 min → 95 min')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Compare version 1' }).click();
  await expect(page.getByRole('region', { name: 'Version 1' })).toContainText('brief, job: 60 min → 95 min');
  await page.getByRole('button', { name: 'Restore version 1' }).click();
  await expect(headline(page)).toBeVisible();
  await page.goto(`${server.url}/rig/marina-pontoon/brief`);
  await expect(page.getByLabel('Longest job')).toHaveValue('60 min');
});

test('a deleted build is found among the deleted and brought back; a backup is made and taken away', async ({ page, server }) => {
  await page.goto(server.url);
  await page.getByRole('button', { name: 'More for Stone truck' }).click();
  await page.getByRole('menuitem', { name: 'Delete' }).click();
  await page.getByRole('button', { name: 'Workshop' }).click();
  await page.getByRole('menuitem', { name: 'Deleted builds' }).click();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Restore Stone truck' }).click();
  await expect(page.getByText('No build has been deleted.')).toBeVisible();
  await page.getByRole('link', { name: 'To the yard', exact: true }).click();
  await expect(page.getByRole('link', { name: /Stone truck/ })).toBeVisible();

  await page.getByRole('button', { name: 'Workshop' }).click();
  await page.getByRole('menuitem', { name: 'Backups' }).click();
  await page.getByRole('button', { name: 'Back up now' }).click();
  await expect(page.getByText('opened and checked')).toBeVisible();
  await expectAccessible(page);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page
      .getByRole('link', { name: /^Download pozzo-/ })
      .first()
      .click(),
  ]);
  expect(download.suggestedFilename()).toMatch(/^pozzo-.*\.zip$/);
});

test('a build deleted in another tab while it is edited can be brought back with the edit', async ({ page, server, context }) => {
  await page.goto(`${server.url}/rig/stone-truck/brief`);
  await expect(headline(page)).toBeVisible();
  const other = await context.newPage();
  await other.goto(server.url);
  await other.getByRole('button', { name: 'More for Stone truck' }).click();
  await other.getByRole('menuitem', { name: 'Delete' }).click();
  await page.getByLabel('Customer').fill('Still wanted');
  await expect(page.getByText('This build was deleted elsewhere.')).toBeVisible();
  await page.getByRole('button', { name: 'Restore it' }).click();
  await saved(page);
  await other.reload();
  await expect(other.getByRole('link', { name: /Stone truck/ })).toContainText('Still wanted');
});

test('a browser that cannot keep anything opens, says so loudly while it matters, and saves', async ({ page, server }) => {
  await page.addInitScript(() => {
    Object.defineProperty(globalThis, 'indexedDB', {
      get: () => ({
        open: () => {
          throw new DOMException('no', 'SecurityError');
        },
      }),
    });
    Object.defineProperty(globalThis, 'localStorage', {
      get: () => {
        throw new DOMException('no', 'SecurityError');
      },
    });
  });
  await page.goto(`${server.url}/rig/marina-pontoon/brief`);
  await expect(headline(page)).toBeVisible();
  await server.kill('SIGKILL');
  await page.getByLabel('Customer').fill('Nowhere');
  await expect(page.locator('header .save')).toHaveText('Not saved: keep this tab open');
  await expect(page.getByText('Keep this page open')).toBeVisible();
  await server.start();
  await saved(page);
});

test('another program on the port is no server of ours: nothing is called saved', async ({ page, server }) => {
  await page.goto(`${server.url}/rig/marina-pontoon/brief`);
  await saved(page);
  const { port } = new URL(server.url);
  await server.kill('SIGKILL');
  const stranger: HttpServer = createServer((_q, a) => a.setHeader('content-type', 'application/json').end('{"ok":true}'));
  await new Promise<void>((done) => stranger.listen(Number(port), '127.0.0.1', done));
  await page.getByLabel('Customer').fill('For Pozzo only');
  await expect(page.locator('header .save')).toHaveText('Offline: saved in this browser');
  await page.waitForTimeout(5000);
  await expect(page.locator('header .save')).toHaveText('Offline: saved in this browser');
  await new Promise((done) => stranger.close(done));
  stranger.closeAllConnections();
  await server.start();
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Customer')).toHaveValue('For Pozzo only');
});

test('a page of another site, and a foreign name turned to this machine, can neither read nor delete', async ({ server }) => {
  const port = new URL(server.url).port;
  const evil: HttpServer = createServer((_q, a) => a.setHeader('content-type', 'text/html').end('<!doctype html><title>evil</title>'));
  await new Promise<void>((done) => evil.listen(0, '127.0.0.1', done));
  const evilPort = (evil.address() as AddressInfo).port;
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-dev-shm-usage', '--disable-gpu', '--disable-background-networking', '--host-resolver-rules=MAP evil.test 127.0.0.1'],
  });
  const page = await browser.newPage();
  const attack = (to: string) =>
    page.evaluate(async (url) => {
      const out: string[] = [];
      const ask = async (what: string, init?: RequestInit): Promise<void> => {
        try {
          const r = await fetch(url + what, init);
          out.push(`${r.type} ${r.status}`);
        } catch {
          out.push('blocked');
        }
      };
      await ask('/api/v1/builds');
      await ask('/api/v1/builds/marina-pontoon', { method: 'DELETE' });
      await ask('/api/v1/builds/stone-truck/restore', { method: 'POST', mode: 'no-cors', body: '{}' });
      await ask('/api/v1/builds', { method: 'POST', mode: 'no-cors', headers: { 'content-type': 'text/plain' }, body: '{"id":"planted"}' });
      await ask('/api/v1/sums/nozzle-flow', { method: 'POST', mode: 'no-cors', body: '{}' });
      return out;
    }, to);
  // From another origin.
  await page.goto(`http://127.0.0.1:${evilPort}/`);
  expect((await attack(server.url)).filter((o) => !/^(blocked|opaque 0)$/.test(o))).toEqual([]);
  // By a foreign name that resolves to this machine: the page itself is refused.
  const opened = await page.goto(`http://evil.test:${port}/`);
  expect(opened!.status()).toBe(421);
  expect((await attack(`http://evil.test:${port}`)).every((o) => /blocked|421|403/.test(o))).toBe(true);
  await browser.close();
  evil.closeAllConnections();
  await new Promise((done) => evil.close(done));
  const list = (await (await fetch(`${server.url}/api/v1/builds`)).json()) as { builds: { id: string }[]; total: number };
  expect(list.total).toBe(15);
  expect(list.builds.map((b) => b.id)).toContain('marina-pontoon');
});

test('with the server away a station not yet visited says so, keeps what was typed, and opens when it is back', async ({ page, server }) => {
  await page.goto(`${server.url}/rig/marina-pontoon/brief`);
  await saved(page);
  await server.kill('SIGKILL');
  await page.getByRole('textbox', { name: 'Customer' }).fill('Typed meanwhile');
  await openStation(page, 'Tanks');
  const told = page.getByRole('alert').filter({ hasText: 'The server is away: Tanks opens as soon as it is back.' });
  await expect(told).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'Customer' })).toHaveValue('Typed meanwhile');
  await expectAccessible(page);
  await server.start();
  await expect(page).toHaveURL(/\/tanks$/);
  await expect(page.locator('main.station h2').first()).toBeVisible();
  await expect(told).toHaveCount(0);
  await saved(page);
  await openStation(page, 'Brief');
  await expect(page.getByRole('textbox', { name: 'Customer' })).toHaveValue('Typed meanwhile');
});

test('a server that vanishes while the page loads leaves words, and the build opens when it is back', async ({ page, server }) => {
  let gone = true;
  // What every page begins with is there, what this one asks for next is not.
  const asked: string[] = [];
  page.on('request', (r) => asked.push(r.url()));
  await page.goto(`${server.url}/guide`);
  await expect(page.getByRole('heading').first()).toBeVisible();
  const begun = new Set(asked);
  await page.route(/chunk-|\/api\//, (route) => (gone && !begun.has(route.request().url()) ? route.abort() : route.continue()));
  await page.goto(`${server.url}/rig/marina-pontoon/tanks`);
  await expect(page.getByRole('alert')).toContainText('Tanks opens as soon as it is back');
  gone = false;
  await expect(page.locator('main.station h2').first()).toBeVisible();
  // Not even the application itself.
  await page.route(/main-/, (route) => route.abort());
  await page.goto(server.url);
  await expect(page.getByText('its server is away: start it')).toBeVisible();
});

test('a tab of an older Pozzo that holds the store of edits holds up no build', async ({ page, server, context }) => {
  const old = await context.newPage();
  await old.goto(`${server.url}/api/v1/health`);
  // As version 1 had it: it never lets go.
  await old.evaluate(
    () =>
      new Promise<void>((done) => {
        const ask = indexedDB.open('pozzo', 1);
        ask.onupgradeneeded = () => ask.result.createObjectStore('edits', { keyPath: 'id' });
        ask.onsuccess = () => {
          Object.assign(globalThis, { held: ask.result });
          done();
        };
      }),
  );
  await page.goto(`${server.url}/rig/marina-pontoon/brief`);
  await expect(headline(page)).toBeVisible();
  await server.kill('SIGKILL');
  await page.getByRole('textbox', { name: 'Customer' }).fill('While it was held');
  await expect(page.getByRole('alert').filter({ hasText: 'Another tab shows an older Pozzo' })).toContainText('close that tab');
  await old.close();
  await page.getByRole('textbox', { name: 'Customer' }).fill('And when it was free');
  await expect(page.locator('header .save')).toHaveText('Offline: saved in this browser');
  // The second edit is kept behind the first.
  const keptHere = (): Promise<string> =>
    page.evaluate(
      () =>
        new Promise<string>((done, fail) => {
          const ask = indexedDB.open('pozzo');
          ask.onerror = () => fail(new Error(String(ask.error)));
          ask.onsuccess = () => {
            const all = ask.result.transaction('outbox').objectStore('outbox').getAll();
            all.onsuccess = () => {
              ask.result.close();
              done(JSON.stringify(all.result));
            };
          };
        }),
    );
  await expect.poll(keptHere).toContain('And when it was free');
  await page.reload({ timeout: 3000 }).catch(() => undefined);
  await server.start();
  await page.goto(`${server.url}/rig/marina-pontoon/brief`);
  await expect(page.getByRole('textbox', { name: 'Customer' })).toHaveValue('And when it was free');
  await saved(page);
});
