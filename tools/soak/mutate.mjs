import { LAYOUTS } from '@pozzo/core';

const ODD = [
  null,
  true,
  false,
  0,
  -1,
  1e308,
  NaN,
  '',
  ' ',
  'x',
  '-',
  '8 gpm',
  '1e999 gpm',
  '½ in',
  "'; DROP TABLE build; --",
  '../../etc/passwd',
  '\u0000',
  '𝔘',
  '{m}',
  '<img src=x>',
  [],
  {},
  [[]],
  '8'.repeat(200),
  ' '.repeat(5000),
];
const KEYS = ['__proto__', 'constructor', 'toString', 'a', '', 'id', 'name', 'x'.repeat(300)];
const UNITS = ['gpm', 'L/min', 'psi', 'bar', 'ft', 'in', 'm', '%', 'min', 'h', '', 'Ω', 'furlongs'];

/** Something odd, fresh each time: what is changed of it stays with its document. */
const odd = ({ pick }) => structuredClone(pick(ODD));

/** A quantity that somebody might type, or nobody would. */
export const quantity = (random) => {
  const { whole, pick } = random;
  return pick([
    `${whole(1000)} ${pick(UNITS)}`,
    `${whole(9)}/${whole(9)} ${pick(UNITS)}`,
    `-${whole(9)}e${whole(400)} ${pick(UNITS)}`,
    odd(random),
    `${whole(10)} ft ${whole(20)} in`,
  ]);
};

function deep(n) {
  let x = {};
  for (let i = 0; i < n; i++) x = i % 2 ? [x] : { a: x };
  return x;
}

/** Places in a tree. */
const sizeOf = (x) => (typeof x === 'object' && x !== null ? Object.values(x).reduce((n, v) => n + sizeOf(v), 1) : 1);

/** A rig document with some of its places turned into what they should not be. */
export function document(random) {
  const { whole, pick } = random;
  const d = pick(LAYOUTS).make();
  for (let n = whole(5); n >= 0; n--) {
    const places = [];
    const walk = (at, depth) => {
      for (const key of Object.keys(at)) {
        places.push([at, key]);
        if (typeof at[key] === 'object' && at[key] !== null && depth < 8) walk(at[key], depth + 1);
      }
    };
    walk(d, 0);
    const [at, key] = pick(places);
    pick([
      () => (at[key] = odd(random)),
      () => (at[key] = quantity(random)),
      () => (at[key] = quantity(random)),
      () => delete at[key],
      () => Object.defineProperty(at, pick(KEYS), { value: odd(random), enumerable: true, configurable: true, writable: true }),
      () => {
        // Some ten thousand places at most: what is larger is refused by its size before anybody reads it.
        const copies = Math.min(whole(300), Math.floor(10_000 / sizeOf(at[key])));
        const one = at[key];
        at[key] = Array.from({ length: copies }, () => one);
      },
      () => (at[key] = whole(20) ? odd(random) : deep(whole(3000))),
    ])();
    // A copy changed inside grows everywhere it stands: past this it would be refused by its size alone.
    if (sizeOf(d) > 20_000) return pick(LAYOUTS).make();
  }
  return d;
}

/** A text that was JSON, with characters lost, doubled or changed. */
export function garble(text, { whole }) {
  let out = text;
  for (let n = 1 + whole(4); n > 0; n--) {
    const at = whole(out.length);
    const kind = whole(3);
    out =
      kind === 0
        ? out.slice(0, at)
        : kind === 1
          ? out.slice(0, at) + String.fromCharCode(whole(300)) + out.slice(at + 1)
          : out.slice(0, at) + out.slice(at, at + whole(50)) + out.slice(at);
  }
  return out;
}

const SCRAPS = [
  '\u0000',
  '\u001b[31m',
  '\n',
  '\r\n',
  '\t',
  '\u2028',
  '\u202e',
  '\ud800',
  '\ufffe',
  '"',
  '\\',
  '<b>',
  '𝔘',
  'Ä',
  '½',
  '   ',
  '%',
  '{m}',
  '0\nLINE',
  'SKID',
];

/** Name, customer and notes as odd as anybody may type them, and at times too long. */
export function wordsOf({ whole, pick }) {
  const text = (most) => Array.from({ length: 1 + whole(most) }, () => pick(SCRAPS)).join('');
  return { name: `N${text(12)}`, customer: text(16), notes: text(whole(20) ? 40 : 3000) };
}
