import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { pontoonRig } from '@pozzo/core';
import { chance } from './random.mjs';
import { ask, start } from './server.mjs';

const CLIENTS = 3;

/** One client: saves without pause, remembers what was acknowledged and what is on its way. */
async function client(url, b, stop) {
  while (!stop.now) {
    const document = { ...pontoonRig(), notes: `${b.id} ${b.next++}` };
    const request = `${b.id}-${b.next}`;
    b.sent.push({ request, notes: document.notes });
    b.all.add(document.notes);
    const r = await ask(`${url}/api/v1/builds/${b.id}`, 'PUT', {
      version: b.version,
      document,
      request,
      unanswered: b.sent
        .slice(0, -1)
        .map((s) => s.request)
        .slice(-50),
    });
    if (r.status === 200) stop.heard();
    if (r.status === 200) Object.assign(b, { version: r.json.version, notes: document.notes, sent: [], saves: b.saves + 1 });
    else if (r.status === 0) return;
    else b.refused.push(`${r.status} ${r.json?.error?.code ?? ''}`);
    if (r.status === 429) await sleep(200);
  }
}

/** A program of its own, with a SQLite that is not ours: Python's. */
const otherReader = (file) =>
  new Promise((done, fail) => {
    const script = 'import sqlite3, sys; c = sqlite3.connect(sys.argv[1]); c.execute("SELECT count(*) FROM build").fetchone(); c.close()';
    const child = spawn('python3', ['-c', script, file], { stdio: 'ignore' });
    child.once('error', fail);
    child.once('exit', done);
  });

/** Kills the server again and again while clients save; after each start what was acknowledged must be there. */
export async function kills(count, seed) {
  const { whole } = chance(seed);
  const folder = mkdtempSync(join(tmpdir(), 'pozzo-soak-'));
  const builds = Array.from({ length: CLIENTS }, (_, i) => ({
    id: `soak-${i}`,
    version: 1,
    next: 0,
    notes: '',
    sent: [],
    saves: 0,
    refused: [],
    all: new Set(),
  }));
  const figures = { kills: 0, saves: 0, readers: 0, versions: 0, lost: 0, crashes: 0, odd: [] };
  try {
    for (let i = 0; i <= count; i++) {
      const s = await start(folder);
      if (!s.url) {
        figures.crashes++;
        figures.odd.push(`did not start: ${s.said().slice(0, 200)}`);
        break;
      }
      for (const b of builds) {
        if (i === 0) {
          const document = { ...pontoonRig(), notes: '' };
          await ask(`${s.url}/api/v1/builds`, 'POST', { id: b.id, document });
          continue;
        }
        const r = await ask(`${s.url}/api/v1/builds/${b.id}`, 'GET');
        const notes = r.json?.document?.notes;
        // Every version that is kept is one that was sent, and none between is missing.
        const { revisions = [] } = (await ask(`${s.url}/api/v1/builds/${b.id}/revisions?count=50`, 'GET')).json ?? {};
        const gap = revisions.findIndex((v, n) => v.version !== revisions[0].version - n);
        if (!revisions.length || revisions[0].version !== r.json?.version || gap >= 0) {
          figures.lost++;
          figures.odd.push(`${b.id}: versions ${revisions.slice(0, 5).map((v) => v.version)} are kept beside version ${r.json?.version}`);
        }
        for (const { version } of revisions.slice(0, 3)) {
          const old = await ask(`${s.url}/api/v1/builds/${b.id}/revisions/${version}`, 'GET');
          figures.versions++;
          if (old.json?.document?.notes !== '' && !b.all.has(old.json?.document?.notes)) {
            figures.lost++;
            figures.odd.push(`${b.id}: version ${version} holds "${old.json?.document?.notes}", which nobody sent`);
          }
        }
        const known = r.status === 200 && (notes === b.notes || b.sent.some((x) => x.notes === notes));
        if (!known || r.json.version < b.version) {
          figures.lost++;
          figures.odd.push(`${b.id}: version ${b.version} "${b.notes}" acknowledged, found ${r.json?.version} "${notes}"`);
        }
      }
      if (i === count) {
        await s.kill('SIGTERM');
        break;
      }
      const stop = { now: false, heard: () => undefined };
      const heard = new Promise((done) => (stop.heard = done));
      const working = builds.map((b) => client(s.url, b, stop));
      // At any moment: sometimes before the first answer, mostly among many.
      if (whole(5)) await Promise.race([heard, sleep(3000)]);
      await sleep(whole(250));
      // Half of the time a program with another SQLite has read the yard and closed it meanwhile.
      if (i % 2) {
        await otherReader(join(folder, 'pozzo.sqlite'));
        figures.readers++;
        await sleep(whole(150));
      }
      if (s.child.exitCode !== null) {
        figures.crashes++;
        figures.odd.push(`ended by itself: ${s.said().slice(0, 300)}`);
      }
      await s.kill();
      stop.now = true;
      await Promise.all(working);
      figures.kills++;
    }
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
  figures.saves = builds.reduce((n, b) => n + b.saves, 0);
  if (figures.saves < 2 * count) {
    figures.crashes++;
    figures.odd.push(`only ${figures.saves} saves in ${count} kills: nothing was tried`);
  }
  const refused = builds.flatMap((b) => b.refused).filter((r) => !r.startsWith('429'));
  if (refused.length) figures.odd.push(`refused: ${[...new Set(refused)].join(', ')}`);
  return { name: 'kills', figures, bad: figures.lost + figures.crashes + refused.length };
}
