import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { type Logger, pino } from 'pino';
import { seedDemo } from './demo.js';
import { YardError } from './errors.js';
import { createApp } from './http/app.js';
import { isLoopback } from './http/guard.js';
import { DailyBackups } from './keep/daily.js';
import { SeenDays } from './keep/seen-days.js';
import { JudgementStore } from './store/judgements.js';
import { storesOf, yardOf } from './store/yard.js';
import { YardDatabase } from './store/yard-database.js';
import { JudgeYard } from './work/judge-yard.js';
import { inlineWork, type Work, WorkThread } from './work/work.js';

export interface ServerOptions {
  readonly port: number;
  readonly host: string;
  readonly dataFolder: string;
  readonly webFolder?: string;
  readonly demo?: boolean;
  readonly log?: Logger;
  /** Script of the threads that reckon; left out, all is reckoned in this one (tests). */
  readonly worker?: URL;
  /** Names what reckons: a judgement by another one is made anew. */
  readonly engine?: string;
  /** Names besides this machine's own that the server is reached by. */
  readonly hosts?: readonly string[];
  /** Where daily backups go; left out, `backups` in the data folder. Null makes none by itself. */
  readonly backupFolder?: string | null;
}

export interface RunningServer {
  readonly url: string;
  /** Lets running requests end, then closes the database. */
  stop(): Promise<void>;
}

/** Longest that one answer is reckoned, and one build judged with its days, ms. */
const ANSWER_MS = 10_000;
const JUDGE_MS = 120_000;
const BACKUP_MS = 600_000;
const REQUEST_MS = 30_000;

/** @throws {YardError} in words where the yard cannot be opened or the address is not this machine's */
export async function startServer(options: ServerOptions): Promise<RunningServer> {
  const { port, host, dataFolder, worker, engine = 'unnamed' } = options;
  if (!isLoopback(host))
    throw new YardError(
      `HOST is "${host}", which other machines reach. Pozzo serves this machine only: it has no log-in yet. A shop mode for several machines comes later; leave HOST empty.`,
    );
  const log = options.log ?? pino({ level: process.env['POZZO_LOG'] ?? 'info' });
  const db = await YardDatabase.open(dataFolder, port ? `the server on port ${port}` : 'a server');
  const threads: Work[] = worker
    ? [new WorkThread(worker, ANSWER_MS), new WorkThread(worker, JUDGE_MS), new WorkThread(worker, BACKUP_MS)]
    : [inlineWork, inlineWork, inlineWork];
  const [work, judging, keeping] = threads;
  const yard = yardOf(db, engine);
  const judge = new JudgeYard(new JudgementStore(db, engine), judging, log);
  const seen = new SeenDays(dataFolder);
  const backups = new DailyBackups(
    dataFolder,
    options.backupFolder ?? join(dataFolder, 'backups'),
    undefined,
    (folder, zipFile, at = new Date()) => keeping.run('backup', { dataFolder: folder, zipFile, at: at.toISOString() }),
    seen,
    async () => {
      for (const store of storesOf(yard)) await store.revisions.thin(seen.list());
    },
  );
  const closeAll = async (): Promise<void> => {
    // The judge is told first: what its thread does not do any more is no judgement.
    const judged = judge.stop();
    await Promise.all(threads.map((t) => t.stop()));
    await judged;
    await backups.stop();
    await db.close();
  };
  let server: Server;
  try {
    if (options.demo) await seedDemo(yard);
    const app = createApp({
      yard,
      work,
      backups,
      log,
      webFolder: options.webFolder,
      hosts: [host, ...(options.hosts ?? [])],
      saved: (id) => judge.wake(id),
    });
    server = createServer({ requestTimeout: REQUEST_MS, headersTimeout: REQUEST_MS / 2, connectionsCheckingInterval: 5000 }, app);
    await new Promise<void>((resolve, reject) => {
      server.once('error', reject);
      server.listen(port, host, () => resolve());
    });
  } catch (error) {
    await closeAll();
    throw error;
  }
  work.warm();
  judge.start();
  if (options.backupFolder !== null) backups.start();
  const address = server.address() as AddressInfo;
  return {
    url: `http://${host.includes(':') ? `[${host}]` : host}:${address.port}`,
    stop: async () => {
      await new Promise<void>((resolve) => {
        server.close(() => resolve());
        server.closeIdleConnections();
        setTimeout(() => server.closeAllConnections(), 3000).unref();
      });
      await closeAll();
    },
  };
}
