import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { root } from '../steps.mjs';

/** Starts the built server on a folder; gives its address, or its words where it did not start. */
export async function start(folder, env = {}) {
  const child = spawn(process.execPath, [join(root, 'server/dist/main.js')], {
    env: { ...process.env, PORT: '0', HOST: '', POZZO_DATA: folder, POZZO_LOG: 'error', POZZO_DEMO: '0', ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let said = '';
  child.stderr.on('data', (d) => (said += d));
  const ended = new Promise((done) => child.once('exit', (code, signal) => done({ code, signal })));
  const url = await Promise.race([
    new Promise((done) =>
      child.stdout.on('data', (d) => {
        const m = /http:\S+/.exec(String(d));
        if (m) done(m[0]);
      }),
    ),
    ended.then(() => undefined),
    sleep(30_000).then(() => undefined),
  ]);
  return { child, url, said: () => said, ended, kill: async (signal = 'SIGKILL') => (child.kill(signal), ended) };
}

/** Asks with a time limit; `status` 0 where nobody answered. */
export async function ask(url, method, body, headers = {}) {
  try {
    const r = await fetch(url, {
      method,
      headers: { ...(body === undefined ? {} : { 'content-type': 'application/json' }), ...headers },
      body: body === undefined ? undefined : typeof body === 'string' ? body : JSON.stringify(body),
      signal: AbortSignal.timeout(20_000),
    });
    const text = await r.text();
    let json;
    try {
      json = JSON.parse(text);
    } catch {
      json = undefined;
    }
    return { status: r.status, json, text };
  } catch {
    return { status: 0 };
  }
}
