/** A time of day, "8:05", from seconds after midnight. */
export function clockWords(seconds: number): string {
  const minutes = Math.round(seconds / 60);
  return `${Math.floor(minutes / 60) % 24}:${String(minutes % 60).padStart(2, '0')}`;
}
