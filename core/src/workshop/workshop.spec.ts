import { CURRENCIES } from './currency';
import { pictureOf } from './picture';
import { blankWorkshop, logoTrouble, MOST_LOGO_BYTES, readWorkshop, type WorkshopDocument } from './workshop';

/** A PNG's head: signature, length and name of its first chunk, width, height (ISO/IEC 15948, 5.2 and 11.2.2). */
const png = (width: number, height: number, bytes = 60): Uint8Array => {
  const b = Buffer.alloc(bytes);
  Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 13]).copy(b);
  b.write('IHDR', 12);
  b.writeUInt32BE(width, 16);
  b.writeUInt32BE(height, 20);
  return b;
};
/** A JPEG's head: start, a segment of text that holds what looks like a frame, the frame (ITU-T T.81, B.2). */
const jpeg = (width: number, height: number): Uint8Array => {
  const frame = Buffer.from([0xff, 0xc2, 0, 11, 8, height >> 8, height & 255, width >> 8, width & 255, 1, 1, 0x11, 0]);
  const comment = Buffer.from([0xff, 0xfe, 0, 8, 0xff, 0xc0, 0, 11, 8, 9]);
  return Buffer.concat([Buffer.from([0xff, 0xd8]), comment, Buffer.from([0xff]), frame]);
};
const url = (type: string, bytes: Uint8Array): string => `data:${type};base64,${Buffer.from(bytes).toString('base64')}`;
const problemOf = (more: object): { path: string; message: string } | undefined => {
  const read = readWorkshop({ ...blankWorkshop(), ...more });
  return read.ok ? undefined : { path: read.problems[0].path, message: read.problems[0].message };
};

test('a currency is one the runtime knows too, once', () => {
  const known = new Set(Intl.supportedValuesOf('currency'));
  // Codes of the last years, which an older runtime may not list.
  expect(CURRENCIES.filter((c) => !known.has(c) && !['XCD', 'VED', 'ZWG', 'SLE'].includes(c))).toEqual([]);
  expect(new Set(CURRENCIES).size).toBe(CURRENCIES.length);
  for (const gone of ['DEM', 'FRF', 'HRK', 'XAU', 'XXX', 'XTS']) expect(CURRENCIES).not.toContain(gone);
});

test('a picture is what its bytes say, not its name', () => {
  expect(pictureOf(png(320, 90))).toEqual({ type: 'image/png', width: 320, height: 90 });
  expect(pictureOf(jpeg(640, 200))).toEqual({ type: 'image/jpeg', width: 640, height: 200 });
  const others = [
    Buffer.alloc(0),
    Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>'),
    Buffer.from('GIF89a'),
    png(0, 4),
    png(4, 4).subarray(0, 20),
    Buffer.from([0xff, 0xd8, 0xff, 0xd9]),
    Buffer.from([0xff, 0xd8, 0xff, 0xe0, 0, 0, 0, 0, 0, 0, 0, 0]),
  ];
  for (const other of others) expect(pictureOf(other)).toBeUndefined();
});

test('a logo is bounded in bytes and in pixels, and says so', () => {
  expect(logoTrouble(png(320, 90))).toBe('');
  expect(logoTrouble(png(320, 90, MOST_LOGO_BYTES))).toBe('');
  expect(logoTrouble(png(320, 90, MOST_LOGO_BYTES + 1))).toBe('A logo has at most 200 kB; this file has 201 kB.');
  expect(logoTrouble(png(30_000, 30_000))).toBe('A logo has at most 4000 pixels a side; this one has 30000 × 30000.');
  expect(logoTrouble(Buffer.from('%PDF-1.7'))).toBe('A logo is a PNG or a JPEG; this file is neither, whatever it is called.');
});

describe('a workshop is read', () => {
  const whole: WorkshopDocument = {
    ...blankWorkshop(),
    name: 'Lanternfell Rigworks',
    address: ['Slipway 4'],
    terms: 'Half on order.\nHalf when fetched.',
    currency: 'GBP',
    logo: url('image/png', png(320, 90)),
  };
  test('whole, and blank', () => {
    expect(readWorkshop(whole)).toEqual({ ok: true, document: whole });
    expect(readWorkshop(blankWorkshop())).toEqual({ ok: true, document: blankWorkshop() });
    expect(problemOf({ logo: url('image/png', png(9, 9, MOST_LOGO_BYTES)) })).toBeUndefined();
    expect(problemOf({ logo: url('image/jpeg', jpeg(9, 9)) })).toBeUndefined();
  });
  test('with its texts as one line each', () => {
    expect(readWorkshop({ ...whole, name: '  A\u202E b\u0000 ', address: [' x\ny '] })).toMatchObject({ document: { name: 'A  b', address: ['x y'] } });
  });
  test.each<[string, object, string, RegExp]>([
    ['a name too long', { name: 'x'.repeat(81) }, 'name', /at most 80/],
    ['too many lines', { address: Array.from({ length: 9 }, () => 'x') }, 'address', /At most 8/],
    ['terms without end', { terms: 'x'.repeat(4001) }, 'terms', /at most 4000/],
    ['a currency of yesterday', { currency: 'DEM' }, 'currency', /ISO 4217/],
    ['a currency in small letters', { currency: 'usd' }, 'currency', /ISO 4217/],
    ['a logo from elsewhere', { logo: 'https://example.test/logo.png' }, 'logo', /PNG or a JPEG/],
    ['a drawing with a script', { logo: url('image/svg+xml', Buffer.from('<svg onload="x"/>')) }, 'logo', /PNG or a JPEG/],
    ['a page called a PNG', { logo: url('image/png', Buffer.from('<html>'.repeat(20))) }, 'logo', /neither/],
    ['a JPEG called a PNG', { logo: url('image/png', jpeg(9, 9)) }, 'logo', /not of the type/],
    ['a logo too large', { logo: url('image/png', png(9, 9, MOST_LOGO_BYTES + 3000)) }, 'logo', /200 kB/],
    ['base 64 that is none', { logo: 'data:image/png;base64,iVBORw0KGgo=AAAA' }, 'logo', /base 64/],
    ['a field of somebody else', { motto: 'x' }, 'motto', /not a field known here/],
    ['a rig', { format: 'pozzo-rig' }, 'format', /pozzo-workshop/],
    ['a newer one', { version: 2 }, 'version', /newer Pozzo/],
  ])('%s is refused by field and bound', (_what, more, path, words) => {
    const problem = problemOf(more);
    expect(problem?.path).toBe(path);
    expect(problem?.message).toMatch(words);
  });
  test('anything at all never throws', () => {
    for (const x of [null, 1, 'x', [], { format: 'pozzo-workshop' }, JSON.parse('{"__proto__":{"a":1},"format":"pozzo-workshop"}')])
      expect(readWorkshop(x).ok).toBe(false);
  });
});
