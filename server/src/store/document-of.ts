/** The tree in a row's text; undefined where the row is damaged. */
export function documentOf(text: string): Record<string, unknown> | undefined {
  try {
    const d = JSON.parse(text) as Record<string, unknown> | null;
    return typeof d === 'object' && d !== null && !Array.isArray(d) ? d : undefined;
  } catch {
    return undefined;
  }
}
