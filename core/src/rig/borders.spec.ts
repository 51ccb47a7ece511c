import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { assess } from '../assess/assess';
import { ASSUMPTIONS } from '../assumption/register';
import { LAYOUTS, pontoonRig } from '../layouts/index';
import { MOST_QUANTITY_TEXT, parseQuantity } from '../quantity/parse';
import { doSum, findSum } from '../sums/index';
import { RIG_VERSION, type RigDocument } from './schema';
import { hoseIn } from '../solve/paths';
import { MOST_PROBLEMS, readRig } from './read';
import { endWords, lineWords } from './words';

const problems = (change: (d: Record<string, never>) => void): readonly { path: string; code: string; message: string }[] => {
  const d = JSON.parse(JSON.stringify(pontoonRig())) as Record<string, never>;
  change(d);
  const r = readRig(d);
  return r.ok ? [] : r.problems;
};
const own = (object: unknown, key: string, value: unknown): void => void Object.defineProperty(object, key, { value, enumerable: true, configurable: true });

describe('a quantity', () => {
  test('has at most sixty characters wherever it is read', () => {
    const long = `8${' '.repeat(MOST_QUANTITY_TEXT)}gpm`;
    expect(parseQuantity(long, 'flow')).toMatchObject({ ok: false, error: { code: 'too-long' } });
    expect(parseQuantity(`8${' '.repeat(40)}gpm`, 'flow')).toMatchObject({ ok: true });
    const sum = doSum(findSum('nozzle-flow')!, { size: '4', pressure: ' '.repeat(40_000) });
    expect(sum).toMatchObject({ ok: false, problems: [{ path: 'pressure' }] });
    expect(problems((d) => own((d['machines'] as object[])[0], 'flow', long))[0].message).toMatch(/at most 60 characters/);
  });
  test('that nearly reads, as long as it may be, is refused in words', () => {
    for (const bad of [
      '1 '.repeat(30),
      ' '.repeat(60),
      '1-'.repeat(30),
      '1/1'.repeat(20),
      '1,'.repeat(30),
      '½'.repeat(60),
      `1${'a'.repeat(59)}`,
      '1e'.repeat(30),
    ])
      expect(parseQuantity(bad, 'length').ok).toBe(false);
  });
});

describe('a list', () => {
  test('too long is told once, and none of its entries', () => {
    let looked = 0;
    const entry = new Proxy({}, { get: () => (looked++, undefined), has: () => false, ownKeys: () => [] });
    const told = problems((d) =>
      own(
        d,
        'tanks',
        Array.from({ length: 100_000 }, () => entry),
      ),
    );
    expect(told).toEqual([expect.objectContaining({ path: 'tanks', message: 'At most 16 entries.' })]);
    expect(looked).toBe(0);
  });
  test('of wrong entries is told by the first fifty', () => {
    const told = problems((d) =>
      own(
        d,
        'lines',
        Array.from({ length: 80 }, () => ({})),
      ),
    );
    expect(told).toHaveLength(MOST_PROBLEMS);
  });
});

describe('keys that every object answers to', () => {
  test.each(['__proto__', 'constructor', 'toString', 'hasOwnProperty', 'valueOf'])('%s is no field, anywhere', (key) => {
    expect(problems((d) => own(d, key, { a: 1 }))[0]).toMatchObject({ code: 'key', path: key });
    expect(problems((d) => own((d['tanks'] as object[])[0], key, 1))[0].path).toBe(`tanks.0.${key}`);
    expect(problems((d) => own(d['assumptions'], key, '1 m'))[0].path).toBe(`assumptions.${key}`);
  });
  test('nesting without end is told and not followed', () => {
    let deep: unknown = {};
    for (let i = 0; i < 5000; i++) deep = { a: deep };
    expect(problems((d) => own(d, 'notes', deep))[0].code).toBe('deep');
  });
});

test('assumptions are no more than the register has, and an unknown one is named short', () => {
  const many = Object.fromEntries(Array.from({ length: ASSUMPTIONS.length + 1 }, (_, i) => [`a${i}`, '1 m']));
  expect(problems((d) => own(d, 'assumptions', many))).toHaveLength(1);
  const [one] = problems((d) => own(d, 'assumptions', { ['x'.repeat(5000)]: '1 m' }));
  expect(one.message.length).toBeLessThan(200);
});

test('what is given back to be stored is what was read', () => {
  const d = pontoonRig();
  d.name = '  Skid  ';
  d.tanks[0].name = ' Tank ';
  const r = readRig(d);
  expect(r).toMatchObject({ ok: true, document: { name: 'Skid', tanks: [{ name: 'Tank' }] } });
  if (r.ok) {
    expect(r.document.machines[0].flow).toBe('8 gpm');
    expect(r.document.lines).toBe(d.lines);
    expect(readRig(r.document)).toMatchObject({ ok: true, document: r.document });
  }
});

describe('rig files of older versions, kept as they were written', () => {
  const folder = join(__dirname, '../../testdata');
  const files = [1, 2, 3, 4, 5, 6, 7].flatMap((version) => readdirSync(join(folder, `rigs-v${version}`)).map((file) => [version, file] as const));
  test('there is one of every layout', () => expect(files.filter(([v]) => v === 1).length).toBeGreaterThan(LAYOUTS.length));
  test.each(files)('version %i, %s is read, lifted, and judged', (version, file) => {
    const old = JSON.parse(readFileSync(join(folder, `rigs-v${version}`, file), 'utf8')) as { version: number };
    expect(old.version).toBe(version);
    const r = readRig(old);
    expect(r).toMatchObject({ ok: true });
    if (r.ok) expect(r.document.version).toBe(RIG_VERSION);
    if (r.ok) expect(['fed', 'tight', 'starved', 'stop']).toContain(assess(r.rig).verdict);
  });
});

describe('what a name decided in version 1, a use decides in version 2', () => {
  /** A file as version 1 wrote it: no uses, the trade's words in the names. */
  const old = (): Record<string, unknown> => {
    const d = JSON.parse(JSON.stringify(LAYOUTS.find((l) => l.id === 'crew-of-four')!.make()), (key, value: unknown) =>
      key === 'use' ? undefined : key === 'version' ? 1 : value,
    ) as Record<string, unknown>;
    return { ...d, options: [{ id: 'option-1', name: 'Kept', rig: JSON.parse(JSON.stringify(d)) as unknown }] };
  };
  const read = (d: unknown): RigDocument => {
    const r = readRig(d);
    if (!r.ok) throw new Error(JSON.stringify(r.problems));
    return r.document;
  };
  const uses = (d: Pick<RigDocument, 'lines' | 'tanks'>): number =>
    d.lines.flatMap((l) => l.parts).filter((p) => p.kind === 'hose' && p.use === 'whip').length + d.tanks.filter((t) => t.use === 'mixed').length;

  test('whips and mix tanks are lifted, in the build and in every option kept beside it', () => {
    const d = read(old());
    const [option] = d.options!;
    expect(uses(d)).toBeGreaterThan(3);
    expect(uses(option.rig)).toBe(uses(d));
    expect(option.rig.version).toBe(RIG_VERSION);
    expect(read(d)).toEqual(d);
  });
  test('the file that was read stays as it was', () => {
    const d = old();
    const before = JSON.stringify(d);
    read(d);
    expect(JSON.stringify(d)).toBe(before);
  });
  test('from then on names are only names', () => {
    const d = read(old());
    const renamed = JSON.parse(
      JSON.stringify(d).replaceAll('Whip line', 'Short hose').replaceAll('Mix ', 'Blend ').replaceAll('"Washer', '"Fill'),
    ) as RigDocument;
    const [was, is] = [readRig(d), readRig(renamed)];
    if (!was.ok || !is.ok) throw new Error('unread');
    expect(hoseIn(is.rig.lines)).toBe(hoseIn(was.rig.lines));
    const [a, b] = [assess(was.rig), assess(is.rig)];
    expect(b.chemical.winter?.antifreeze.value).toBe(a.chemical.winter?.antifreeze.value);
    expect(b.runs.map((r) => r.carried.value)).toEqual(a.runs.map((r) => r.carried.value));
    expect(b.reels.map((r) => r.hoseM)).toEqual(a.reels.map((r) => r.hoseM));
  });
  test.each([[{ lines: 7 }], [{ lines: [3, { parts: 'x' }] }], [{ tanks: [null] }], [{ options: [{ rig: 4 }] }], [{ options: 5 }]])(
    'what is no list is left for the schema to tell: %j',
    (broken) => expect(readRig({ ...old(), ...broken })).toMatchObject({ ok: false }),
  );
});

describe('a line in words', () => {
  test('names what it leads to, never an id', () => {
    for (const l of LAYOUTS) {
      const d = l.make();
      for (const line of d.lines) {
        const words = lineWords(d, line);
        expect(words.length).toBeGreaterThan(4);
        if (!line.name) expect([line.id, words]).toEqual([line.id, expect.stringMatching(/ line (to|of) [A-Z0-9]/)]);
      }
    }
    const d = pontoonRig();
    expect(
      lineWords(
        d,
        d.lines.find((x) => x.role === 'feed')!,
      ),
    ).toBe('feed line to Washer A');
    expect(endWords(d, { at: 'machine', id: 'nobody' })).toBe('machine');
    expect(endWords(d, { at: 'open' })).toBe('the open air');
  });
});

describe('texts as they are read', () => {
  const read = (change: (d: RigDocument) => void) => {
    const d = LAYOUTS[0].make();
    change(d);
    return readRig(d);
  };
  test('a name is one line of what can be printed; notes keep their lines and tabs', () => {
    const r = read((d) => {
      d.name = '  A\u0000\u001b[31m\r\nB\u2028C\ud800\u202eD\uffff ';
      d.customer = '\n\n';
      d.notes = 'one\r\ntwo\u0007\tthree\rfour';
    });
    if (!r.ok) throw new Error(r.problems[0].message);
    expect([r.document.name, r.document.customer, r.document.notes]).toEqual(['A [31m B C D', '', 'one\ntwo \tthree\nfour']);
    // Read again it stays as it is.
    const again = readRig(r.document);
    expect(again.ok && again.document).toEqual(r.document);
  });
  test('a name of nothing that can be printed is none', () => {
    const r = read((d) => void (d.tanks[0].name = '\u0000\u001b\n'));
    expect(r).toMatchObject({ ok: false, problems: [{ path: 'tanks.0.name', message: 'Give it a name.' }] });
  });
  test('letters of every script, signs and pictures stay', () => {
    const name = 'Ägidien ½ ″ Ω 蒸気 🚿 עברית';
    const r = read((d) => void (d.name = name));
    expect(r.ok && r.document.name).toBe(name);
  });
});
