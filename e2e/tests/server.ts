import { type ChildProcess, spawn } from 'node:child_process';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';

const main = resolve(import.meta.dirname, '../../server/dist/main.js');
/** The yard with the demo's builds, all of them judged: made once a run, see `demo-yard`. */
const DEMO_YARD = 'POZZO_E2E_YARD';
/** Some twenty times what it takes: one that is never judged ends the run in words. */
const JUDGED_WITHIN_MS = 600_000;

/** A real server on a data folder of its own; it can be killed and started again on the same folder and port. */
export class Server {
  url = '';
  readonly data = mkdtempSync(join(tmpdir(), 'pozzo-e2e-'));
  private process: ChildProcess | undefined;
  private port = '0';

  constructor() {
    const yard = process.env[DEMO_YARD];
    if (yard) cpSync(yard, this.data, { recursive: true });
  }

  async start(): Promise<void> {
    this.process = spawn(process.execPath, [main], {
      env: { ...process.env, PORT: this.port, POZZO_DATA: this.data, POZZO_DEMO: '1', POZZO_LOG: 'error', POZZO_BACKUPS: '' },
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    this.url = await new Promise<string>((done, fail) => {
      this.process!.stdout!.on('data', (text: Buffer) => {
        const m = /http:\S+/.exec(String(text));
        if (m) done(m[0]);
      });
      this.process!.once('exit', (code) => fail(new Error(`The server ended with ${code}.`)));
    });
    this.port = new URL(this.url).port;
  }
  async kill(signal: NodeJS.Signals = 'SIGKILL'): Promise<void> {
    const gone = new Promise((done) => this.process!.once('exit', done));
    this.process!.kill(signal);
    await gone;
  }
  async end(): Promise<void> {
    if (this.process?.exitCode === null && this.process.signalCode === null) await this.kill('SIGTERM');
    rmSync(this.data, { recursive: true, force: true });
  }
}

/** Before all tests: the demo's builds are judged once, not by every test's server beside it. @returns what takes the yard away */
export default async function demoYard(): Promise<() => void> {
  const server = new Server();
  await server.start();
  const until = Date.now() + JUDGED_WITHIN_MS;
  for (;;) {
    const builds = (await (await fetch(`${server.url}/api/v1/builds`)).json()) as {
      readonly builds: readonly { readonly judged: { readonly sampled: boolean } | null }[];
    };
    if (builds.builds.every((b) => b.judged?.sampled)) break;
    if (Date.now() > until) {
      await server.end();
      throw new Error(`The demo’s builds are not judged after ${JUDGED_WITHIN_MS / 60_000} min.`);
    }
    await new Promise((done) => setTimeout(done, 500));
  }
  await server.kill('SIGTERM');
  process.env[DEMO_YARD] = server.data;
  return () => rmSync(server.data, { recursive: true, force: true });
}
