import { existsSync, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import type { Backups } from '@pozzo/core';
import { backup, type Made } from './backup.js';

/** How many of the daily backups are kept. */
export const DAILY_KEPT = 14;
const LOOK_EVERY_MS = 30 * 60_000;

const DAILY = /^pozzo-\d{4}-\d\d-\d\d\.zip$/;
const ANY = /^pozzo-\d{4}-\d\d-\d\d(-\d{6})?\.zip$/;
const UNFINISHED = /^\.pozzo-.*\.part(-wal|-shm)?$/;
const two = (n: number): string => String(n).padStart(2, '0');
const dayName = (d: Date): string => `pozzo-${d.getFullYear()}-${two(d.getMonth() + 1)}-${two(d.getDate())}`;
const clockName = (d: Date): string => `${two(d.getHours())}${two(d.getMinutes())}${two(d.getSeconds())}`;

/** Whether a name is one of ours: asked from outside, it is used in a path only then. */
export const isBackupName = (name: string): boolean => ANY.test(name);

/** Backs a yard up once a day and when asked, into a folder of its own. Makers of the zip may run elsewhere (a thread). */
export class DailyBackups {
  private clock: NodeJS.Timeout | undefined;
  private trouble: string | null = null;
  private working: Promise<unknown> = Promise.resolve();

  constructor(
    private readonly dataFolder: string,
    readonly folder: string,
    private readonly now: () => Date = () => new Date(),
    private readonly make: typeof backup = backup,
    /** Done once a day beside it. */
    private readonly alsoDaily: () => Promise<unknown> = () => Promise.resolve(),
  ) {}

  /** Makes today's backup if it is missing, and looks again now and then. */
  start(): void {
    this.clearUnfinished();
    const look = (): void => void this.daily();
    look();
    this.clock = setInterval(look, LOOK_EVERY_MS);
    this.clock.unref();
  }

  /** A backup cut short by a kill left its pieces: they are no backup. */
  private clearUnfinished(): void {
    if (!existsSync(this.folder)) return;
    for (const name of readdirSync(this.folder)) if (UNFINISHED.test(name)) rmSync(join(this.folder, name), { force: true });
  }

  async stop(): Promise<void> {
    clearInterval(this.clock);
    await this.working;
  }

  list(): Backups {
    const names = existsSync(this.folder) ? readdirSync(this.folder).filter(isBackupName) : [];
    const backups = names.map((name) => ({ name, ...this.factsOf(name) })).sort((a, b) => (a.at < b.at ? 1 : a.at > b.at ? -1 : 0));
    return { folder: this.folder, backups, trouble: this.trouble };
  }

  private factsOf(name: string): { bytes: number; at: string } {
    try {
      const s = statSync(join(this.folder, name));
      return { bytes: s.size, at: s.mtime.toISOString() };
    } catch {
      return { bytes: 0, at: '' };
    }
  }

  /** A backup now, under a name of its own. @throws {YardError} */
  async asked(): Promise<Made> {
    const at = this.now();
    return this.inTurn(() => this.make(this.dataFolder, join(this.folder, `${dayName(at)}-${clockName(at)}.zip`), at));
  }

  /** Today's, unless it is there; the oldest beyond the last fourteen go only after it stands. Failures are told by {@link list}. */
  async daily(): Promise<void> {
    const at = this.now();
    const file = join(this.folder, `${dayName(at)}.zip`);
    if (existsSync(file)) return;
    try {
      await this.inTurn(async () => {
        if (existsSync(file)) return;
        await this.alsoDaily();
        mkdirSync(this.folder, { recursive: true });
        await this.make(this.dataFolder, file, at);
        const daily = readdirSync(this.folder)
          .filter((n) => DAILY.test(n))
          .sort();
        for (const old of daily.slice(0, -DAILY_KEPT)) if (old !== `${dayName(at)}.zip`) rmSync(join(this.folder, old), { force: true });
      });
      this.trouble = null;
    } catch (error) {
      this.trouble = (error as Error).message;
    }
  }

  private inTurn<T>(work: () => Promise<T>): Promise<T> {
    const done = this.working.then(work, work);
    this.working = done.catch(() => undefined);
    return done;
  }
}
