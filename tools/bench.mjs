// Speed as ratios within one run: figures of one machine mean little, their relations travel.
import { buildNode, buildWeb, chromium, install } from './steps.mjs';
import { withBrowser } from './browser.mjs';

install();
chromium();
buildNode();
buildWeb();
const { assess, DEMO_RIGS, parseRig, readRig } = await import('../core/dist/index.js');

const median = (xs) => [...xs].sort((a, b) => a - b)[Math.floor(xs.length / 2)];
const p95 = (xs) => [...xs].sort((a, b) => a - b)[Math.floor(xs.length * 0.95)];
const time = (work, runs, warm) => {
  for (let i = 0; i < warm; i++) work();
  return Array.from({ length: runs }, () => {
    const from = performance.now();
    work();
    return performance.now() - from;
  });
};
const row = (name, value, note = '') => console.log(`${name.padEnd(52)} ${value.padStart(12)}  ${note}`);

const rigs = DEMO_RIGS().map(({ id, document }) => ({ id, document, rig: parseRig(document) }));
const sized = rigs.map((r) => ({ ...r, size: r.rig.lines.length * 100 + assess(r.rig).solves }));
const largest = sized.reduce((a, b) => (b.size > a.size ? b : a));
const assessing = time(() => assess(largest.rig), 300, 300);
const reading = time(() => readRig(largest.document), 200, 100);
console.log(`Largest layout: ${largest.id}, ${largest.rig.lines.length} lines, ${assess(largest.rig).solves} cases solved\n`);
row('assessment, median', `${median(assessing).toFixed(2)} ms`, `${(5 / median(assessing)).toFixed(1)} × faster than the 5 ms wanted`);
row('reading and checking the document, median', `${median(reading).toFixed(2)} ms`, `${(median(reading) / median(assessing)).toFixed(2)} of an assessment`);

await withBrowser(async (browser, url) => {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${url}/rig/${largest.id}/feed`);
  await page.waitForSelector('pz-waterway svg');
  await page.waitForTimeout(800);
  const samples = await page.evaluate(async () => {
    const box = document.querySelector('[data-path="machines.0.flow"]');
    const band = document.querySelector('pz-waterway');
    const out = [];
    const base = parseFloat(box.value);
    for (let i = 0; i < 60; i++) {
      const from = performance.now();
      const before = band.textContent;
      box.value = `${(base * (0.7 + 0.005 * i)).toFixed(3)} gpm`;
      box.dispatchEvent(new Event('input', { bubbles: true }));
      while (band.textContent === before && performance.now() - from < 3000) await new Promise((r) => requestAnimationFrame(r));
      out.push(performance.now() - from);
      await new Promise((r) => setTimeout(r, 120));
    }
    return out;
  });
  row('keystroke to new figures in the browser, median', `${median(samples).toFixed(1)} ms`, `${(median(samples) / 16.7).toFixed(1)} frames`);
  row('keystroke to new figures in the browser, p95', `${p95(samples).toFixed(1)} ms`, `${(50 / p95(samples)).toFixed(1)} × faster than the 50 ms wanted`);
});
