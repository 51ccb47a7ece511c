/** A picture as its first bytes and its own head say it is. */
export interface Picture {
  readonly type: 'image/png' | 'image/jpeg';
  /** px. */
  readonly width: number;
  readonly height: number;
}

/** PNG (ISO/IEC 15948): its eight first bytes, then the chunk IHDR with width and height. */
const PNG = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a];
const IHDR = [0x49, 0x48, 0x44, 0x52];
/** JPEG (ITU-T T.81, table B.1): markers of a frame's head; C4, C8 and CC are others. */
const isFrame = (marker: number): boolean => marker >= 0xc0 && marker <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(marker);
/** Markers without anything behind them: TEM and RST0 to RST7. */
const isBare = (marker: number): boolean => marker === 0x01 || (marker >= 0xd0 && marker <= 0xd7);

const begins = (bytes: Uint8Array, with_: readonly number[], at = 0): boolean => with_.every((b, i) => bytes[at + i] === b);

/** What a file is by what stands in it, never by its name; undefined for anything but a PNG or a JPEG with a size. */
export function pictureOf(bytes: Uint8Array): Picture | undefined {
  const two = (at: number): number => (bytes[at] << 8) | bytes[at + 1];
  const sized = (type: Picture['type'], width: number, height: number): Picture | undefined => (width > 0 && height > 0 ? { type, width, height } : undefined);
  if (begins(bytes, PNG)) {
    if (bytes.length < 24 || !begins(bytes, IHDR, 12)) return undefined;
    return sized('image/png', two(16) * 65_536 + two(18), two(20) * 65_536 + two(22));
  }
  if (!begins(bytes, [0xff, 0xd8, 0xff])) return undefined;
  for (let at = 2; at + 9 <= bytes.length && bytes[at] === 0xff;) {
    const marker = bytes[at + 1];
    if (marker === 0xff) at += 1;
    else if (isFrame(marker)) return sized('image/jpeg', two(at + 7), two(at + 5));
    else if (isBare(marker)) at += 2;
    else at += 2 + two(at + 2);
  }
  return undefined;
}
