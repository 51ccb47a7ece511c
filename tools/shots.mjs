// The pictures of the README, from the demo data: docs/screenshots/.
import { join } from 'node:path';
import { withBrowser } from './browser.mjs';
import { buildNode, buildWeb, chromium, install, root } from './steps.mjs';

install();
chromium();
buildNode();
buildWeb();

const views = [
  { name: 'yard', path: '/' },
  { name: 'feed', path: '/rig/marina-pontoon/feed' },
  { name: 'tanks', path: '/rig/marina-pontoon/tanks', before: ['/rig/marina-pontoon/fill', 'Timed bucket', '2 gpm', '5 gpm'] },
  { name: 'guns', path: '/rig/marina-pontoon/guns' },
  { name: 'machines', path: '/rig/stone-mason/machines' },
  { name: 'plan', path: '/rig/tram-depot/plan?of=water' },
  { name: 'weight', path: '/rig/park-trailer/weight' },
  { name: 'fuel', path: '/rig/depot-service/fuel' },
  { name: 'electrics', path: '/rig/holiday-park/electrics' },
  { name: 'bypass', path: '/rig/dairy/bypass' },
  { name: 'new', path: '/new' },
  { name: 'reels', path: '/rig/marina-pontoon/reels?of=hose-reel' },
  {
    name: 'sums',
    path: '/sums/hose-loss',
    type: [
      ['Bore', '3/8 in'],
      ['Length', '200 ft'],
      ['Flow', '8 gpm'],
    ],
  },
  {
    name: 'sums-phone',
    path: '/sums/nozzle-wear',
    type: [
      ['Nozzle number', '4'],
      ['Flow', '3.46 gpm'],
      ['Gauge reads', '2400 psi'],
    ],
    size: { width: 390, height: 780 },
  },
  { name: 'mix', path: '/rig/crew/mix' },
  { name: 'liquids', path: '/rig/crew/liquids' },
  { name: 'day', path: '/rig/depot-service/day', press: ['Minute of the day', '250'] },
  { name: 'options', path: '/rig/marina-pontoon/options', clicks: ['Carry all the day’s water', 'Two guns at half flow on Washer A'] },
  { name: 'feed-dark-tablet', path: '/rig/marina-pontoon/feed', theme: 'dark', size: { width: 820, height: 1100 } },
];

/** Until nothing on the page is still being drawn, judged or sampled. */
const settled = (page) =>
  page
    .waitForFunction(() => !/Working it out…|Drawing…|Trying fixes…|being judged|Checking…|Sampling days/.test(document.body.innerText), undefined, {
      timeout: 60_000,
    })
    .catch(() => console.log(`${page.url()} did not come to rest in a minute.`));

await withBrowser(async (browser, url) => {
  for (const v of views) {
    const page = await browser.newPage({ viewport: v.size ?? { width: 1280, height: 800 } });
    await page.addInitScript((theme) => localStorage.setItem('pozzo.settings', JSON.stringify({ units: 'us', theme })), v.theme ?? 'light');
    if (v.before) {
      const [path, label, text] = v.before;
      await page.goto(url + path);
      await page.getByLabel(label).fill(text);
      await page.waitForTimeout(1500);
    }
    await page.goto(url + v.path);
    if (v.path.startsWith('/rig/')) await page.locator('main.station h2').first().waitFor();
    await page.waitForTimeout(1500);
    await settled(page);
    for (const name of v.clicks ?? []) {
      await page.getByRole('button', { name }).click();
      await page.waitForTimeout(400);
    }
    if (v.press) await page.getByLabel(v.press[0]).fill(v.press[1]);
    if (v.clicks || v.press || v.name === 'yard') await page.waitForTimeout(6000);
    for (const [label, text] of v.type ?? []) await page.getByLabel(label, { exact: true }).fill(text);
    await settled(page);
    await page.screenshot({ path: join(root, `docs/screenshots/${v.name}.png`) });
    if (v.before) {
      const [path, label, , back] = v.before;
      await page.goto(url + path);
      await page.getByLabel(label).fill(back);
      await page.waitForTimeout(1500);
    }
    await page.close();
  }
});
