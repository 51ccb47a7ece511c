// A server on demo data in a folder of its own, and a browser on it: for pictures and measurements.
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { root } from './steps.mjs';

export async function withBrowser(work) {
  const { chromium } = await import('@playwright/test');
  const data = mkdtempSync(join(tmpdir(), 'pozzo-tool-'));
  const server = spawn(process.execPath, [join(root, 'server/dist/main.js')], {
    env: { ...process.env, PORT: '0', POZZO_DATA: data, POZZO_DEMO: '1', POZZO_LOG: 'error' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const url = await new Promise((done, fail) => {
    server.stdout.on('data', (text) => {
      const m = /http:\S+/.exec(String(text));
      if (m) done(m[0]);
    });
    server.once('exit', () => fail(new Error('The server did not start.')));
  });
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-dev-shm-usage', '--disable-gpu', '--disable-background-networking'],
  });
  try {
    return await work(browser, url);
  } finally {
    await browser.close();
    server.kill();
    rmSync(data, { recursive: true, force: true });
  }
}
