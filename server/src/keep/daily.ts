import { existsSync, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import type { Backups } from '@pozzo/core';
import { YardError } from '../errors.js';
import { backup, type Made } from './backup.js';
import { clearPieces } from './pieces.js';
import type { SeenDays } from './seen-days.js';

/** How many of the daily backups are kept. */
export const DAILY_KEPT = 14;
const LOOK_EVERY_MS = 30 * 60_000;

const DAILY = /^pozzo-\d{4}-\d\d-\d\d\.zip$/;
const ANY = /^pozzo-\d{4}-\d\d-\d\d(-\d{6}(-\d{1,3})?)?\.zip$/;
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
    /** Notes each day on which somebody looked. */
    private readonly seen?: SeenDays,
    /** Done once a day, after the backup stands. */
    private readonly thenDaily: () => Promise<unknown> = () => Promise.resolve(),
  ) {}

  /** Makes today's backup if it is missing, and looks again now and then. */
  start(): void {
    this.clear();
    const look = (): void => void this.daily();
    look();
    this.clock = setInterval(look, LOOK_EVERY_MS);
    this.clock.unref();
  }

  async stop(): Promise<void> {
    clearInterval(this.clock);
    await this.working;
    this.clear();
  }

  /** A backup that was cut short left its pieces. */
  private clear(): void {
    try {
      clearPieces(this.folder, true);
    } catch {
      // A folder that cannot be read now is told of when a backup is made.
    }
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
    const base = `${dayName(at)}-${clockName(at)}`;
    return this.inTurn(() => {
      const names = [base, ...Array.from({ length: 998 }, (_, i) => `${base}-${i + 2}`)].map((n) => join(this.folder, `${n}.zip`));
      return this.make(this.dataFolder, names.find((n) => !existsSync(n)) ?? names[0], at);
    });
  }

  /** Today's, unless it is there; what is older goes only after it stands. Failures are told by {@link list}. */
  async daily(): Promise<void> {
    const at = this.now();
    const file = join(this.folder, `${dayName(at)}.zip`);
    this.seen?.note(at);
    if (existsSync(file)) return;
    try {
      await this.inTurn(async () => {
        if (existsSync(file)) return;
        this.makeFolder();
        await this.make(this.dataFolder, file, at);
        // On a day to which the clock jumped nothing is old.
        if (this.seen && !this.seen.isSteady(at)) return;
        this.rotate(`${dayName(at)}.zip`);
        await this.thenDaily();
      });
      this.trouble = null;
    } catch (error) {
      this.trouble = (error as Error).message;
    }
  }

  private makeFolder(): void {
    try {
      mkdirSync(this.folder, { recursive: true });
    } catch (error) {
      throw new YardError(`The folder ${this.folder} cannot be made (${(error as { code?: string }).code ?? 'unknown'}). Set POZZO_BACKUPS to another one.`);
    }
  }

  /**
   * The last fourteen up to today's stay. Those named after days to come were made while the clock was wrong: they push out
   * none of the others, and of them too the last fourteen stay.
   */
  private rotate(today: string): void {
    const daily = readdirSync(this.folder)
      .filter((n) => DAILY.test(n))
      .sort();
    for (const some of [daily.filter((n) => n <= today), daily.filter((n) => n > today)])
      for (const old of some.slice(0, -DAILY_KEPT)) if (old !== today) rmSync(join(this.folder, old), { force: true });
  }

  private inTurn<T>(work: () => Promise<T>): Promise<T> {
    const done = this.working.then(work, work);
    // One that was stopped for taking too long could not clear up after itself.
    this.working = done.catch(() => this.clear());
    return done;
  }
}
