/** Width of a letter by its height, of the narrow face that all drawings use; the mean of names and figures, common practice. */
const LETTER = 0.54;

/** How wide a text stands in a drawing, in the units of its size. */
export const textWidth = (text: string, size: number): number => text.length * size * LETTER;

/**
 * The largest size of a text that fits a width and height; undefined where it would be too small to read.
 * @param least smallest size that can be read, in the same units
 */
export function fittingSize(text: string, width: number, height: number, least: number, most: number): number | undefined {
  const size = Math.min(most, (0.95 * width) / Math.max(textWidth(text, 1), LETTER), 0.8 * height);
  return size >= least ? size : undefined;
}
