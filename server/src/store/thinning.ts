/** A version and when it was saved, ISO. */
export interface Saved {
  readonly version: number;
  readonly savedAt: string;
}

/** Days for which one version a day is kept; before that one a week. */
const DAILY_DAYS = 30;
const DAY_MS = 86_400_000;
const MOST_AT_ONCE = 500;

const startOfDay = (d: Date): number => new Date(d.getFullYear(), d.getMonth(), d.getDate()).getTime();

/**
 * The versions that need not be kept any more: of today and of times still to come (a clock set back) all stay, of each
 * earlier day the last, of each week beyond thirty days the last. The newest version always stays. At most 500 at once,
 * oldest first.
 */
export function versionsToDrop(all: readonly Saved[], now: Date): number[] {
  const today = startOfDay(now);
  const newest = all.reduce((n, r) => Math.max(n, r.version), 0);
  const last = new Map<string, number>();
  const slotOf = (r: Saved): string => {
    const at = new Date(r.savedAt);
    const day = startOfDay(at);
    if (!(day < today)) return `v${r.version}`;
    // Noon to noon, so that an hour of summer time moves no day.
    const days = Math.round((today - day) / DAY_MS);
    return days <= DAILY_DAYS ? `d${days}` : `w${Math.floor((day / DAY_MS + 3) / 7)}`;
  };
  for (const r of all) {
    const slot = slotOf(r);
    last.set(slot, Math.max(last.get(slot) ?? 0, r.version));
  }
  return all
    .filter((r) => r.version !== newest && last.get(slotOf(r)) !== r.version)
    .map((r) => r.version)
    .sort((a, b) => a - b)
    .slice(0, MOST_AT_ONCE);
}
