import { readFileSync, renameSync } from 'node:fs';
import { join } from 'node:path';
import { writeDown } from '../store/disk.js';

const FILE = 'pozzo.days.json';
/** Days remembered: more than history is kept by days. */
const MOST = 60;

const STEADY_MS = 31.5 * 86_400_000;

const two = (n: number): string => String(n).padStart(2, '0');
/** A day by this machine's clock, such as `2026-12-01`. */
export const dayOf = (d: Date): string => `${d.getFullYear()}-${two(d.getMonth() + 1)}-${two(d.getDate())}`;

/**
 * The days on which this yard was open, as its clock told them: how old something is, is not for a clock alone to say, which
 * may jump. Losing this file makes nothing older than it is.
 */
export class SeenDays {
  private days: readonly string[] | undefined;

  constructor(private readonly folder: string) {}

  /** Oldest first. */
  list(): readonly string[] {
    this.days ??= this.read();
    return this.days;
  }

  /** Whether the clock goes on as days do: the day noted before today's lies at most a month back. A first day is not yet. */
  isSteady(now: Date): boolean {
    const days = this.list();
    const at = days.lastIndexOf(dayOf(now));
    const before = days[at < 0 ? days.length - 1 : at - 1];
    if (before === undefined) return false;
    const gap = new Date(`${dayOf(now)}T12:00`).getTime() - new Date(`${before}T12:00`).getTime();
    return gap >= 0 && gap <= STEADY_MS;
  }

  note(now: Date): void {
    const today = dayOf(now);
    const days = this.list();
    if (days.includes(today)) return;
    // By the order they were seen in, so that a wrong day to come is forgotten like any other.
    this.days = [...days, today].slice(-MOST);
    try {
      const part = join(this.folder, `.${FILE}.part`);
      writeDown(part, `${JSON.stringify(this.days)}\n`);
      renameSync(part, join(this.folder, FILE));
    } catch {
      // Remembered in this process; the next day notes it again.
    }
  }

  private read(): readonly string[] {
    try {
      const found = JSON.parse(readFileSync(join(this.folder, FILE), 'utf8')) as unknown;
      return Array.isArray(found) ? found.filter((d): d is string => typeof d === 'string' && /^\d{4}-\d\d-\d\d$/.test(d)).slice(-MOST) : [];
    } catch {
      return [];
    }
  }
}
