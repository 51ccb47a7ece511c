/** A version and when it was saved, ISO. */
export interface Saved {
  readonly version: number;
  readonly savedAt: string;
}

/** The newest versions of a build that stay whatever the clock says. */
export const NEWEST_KEPT = 50;
/** Days for which every version stays: the day itself and the one after. */
const WHOLE_DAYS = 2;
/** Days for which one version a day is kept; before that one a week. */
const DAILY_DAYS = 30;
const DAY_MS = 86_400_000;

const startOfDay = (d: Date): number => new Date(d.getFullYear(), d.getMonth(), d.getDate()).getTime();

/**
 * The versions that need not be kept any more: of the last two days and of times still to come (a clock set back) all stay,
 * and the newest fifty in any case; of each earlier day the last, of each week beyond thirty days the last. A clock may jump:
 * nothing is older than so many days on which the yard has been seen open since.
 * @param seen days on which the yard was open, as `2026-12-01`
 * @returns oldest first
 */
export function versionsToDrop(all: readonly Saved[], now: Date, seen: readonly string[]): number[] {
  const today = startOfDay(now);
  const opened = [...new Set(seen)].map((d) => startOfDay(new Date(`${d}T12:00`))).filter((d) => d <= today);
  const newest = new Set(
    all
      .map((r) => r.version)
      .sort((a, b) => b - a)
      .slice(0, NEWEST_KEPT),
  );
  const last = new Map<string, number>();
  const slotOf = (r: Saved): string => {
    const day = startOfDay(new Date(r.savedAt));
    // Rounded, so that an hour of summer time moves no day.
    const byClock = Math.round((today - day) / DAY_MS);
    const age = Math.min(byClock, opened.filter((d) => d > day).length);
    if (!(age >= WHOLE_DAYS)) return `v${r.version}`;
    return age <= DAILY_DAYS ? `d${byClock}` : `w${Math.floor((day / DAY_MS + 3) / 7)}`;
  };
  for (const r of all) {
    const slot = slotOf(r);
    last.set(slot, Math.max(last.get(slot) ?? 0, r.version));
  }
  return all
    .filter((r) => !newest.has(r.version) && last.get(slotOf(r)) !== r.version)
    .map((r) => r.version)
    .sort((a, b) => a - b);
}
