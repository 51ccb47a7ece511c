import { assess } from '../assess/assess';
import type { Assessment } from '../subject/assessment';
import { LAYOUTS } from '../layouts/layouts';
import { si } from '../quantity/parse';
import { parseRig, readRig } from '../rig/read';
import { assumptionRule } from '../rig/schema';
import type { RigDocument } from '../rig/schema';
import { readField } from '../rig/quantity-field';
import { holes } from '../testing/tree';
import { ASSUMPTIONS, assumptionValues, findAssumption } from './register';

const crew = (): RigDocument => LAYOUTS.find((l) => l.id === 'crew-of-four')!.make();

/** Between them they rest on every assumption of a rig: a direct feed, ties, boosters, each kind of pump, winter. */
const SHOWN = ['tied-tanks', 'small-buffer', 'two-batch', 'winter-split', 'crew-of-four'];

describe('the register of assumptions', () => {
  test('ids are unique, and each is found by its own', () => {
    expect(new Set(ASSUMPTIONS.map((a) => a.id)).size).toBe(ASSUMPTIONS.length);
    for (const a of ASSUMPTIONS) expect(findAssumption(a.id)).toBe(a);
    expect(findAssumption('moon-phase')).toBeUndefined();
  });

  test('each says what it is and where it comes from', () => {
    for (const a of ASSUMPTIONS) expect([a.id, a.label.length > 5, a.source.length > 8]).toEqual([a.id, true, true]);
  });

  test('each default may be typed into a rig, and reads to the value that is used', () => {
    const values = assumptionValues() as Readonly<Record<string, number>>;
    for (const a of ASSUMPTIONS) {
      const read = readField(assumptionRule(a), a.value);
      expect([a.id, read.ok && read.si]).toEqual([a.id, values[a.id]]);
    }
  });

  test('a value of the rig’s own replaces its default, and no other', () => {
    const plain = assumptionValues() as Readonly<Record<string, number>>;
    for (const a of ASSUMPTIONS) {
      const own = assumptionValues({ [a.id]: 1.25 }) as Readonly<Record<string, number>>;
      expect(Object.keys(own).filter((k) => own[k] !== plain[k])).toEqual(plain[a.id] === 1.25 ? [] : [a.id]);
    }
  });

  test('typing every default into a rig changes none of its figures', () => {
    const figures = (d: RigDocument): string => JSON.stringify(assess(parseRig(d)));
    const typed = crew();
    for (const a of ASSUMPTIONS) typed.assumptions[a.id] = a.value;
    expect(figures(typed)).toBe(figures(crew()));
  });

  test.each(LAYOUTS.filter((l) => SHOWN.includes(l.id)).map((l) => [l.id, l] as const))(
    'what moves a figure of %s is named among the assumptions it rests on',
    (_id, layout) => {
      const base = parseRig(layout.make());
      const told = assess(base);
      // To seven digits: what the solver leaves behind moves nothing.
      const same = (a: unknown, b: unknown): boolean => {
        if (Object.is(a, b)) return true;
        if (typeof a === 'number' && typeof b === 'number') return a.toPrecision(7) === b.toPrecision(7);
        if (typeof a !== 'object' || typeof b !== 'object' || !a || !b) return false;
        const keys = Object.keys(a);
        return keys.length === Object.keys(b).length && keys.every((k) => same((a as never)[k], (b as never)[k]));
      };
      const figures = (a: Assessment): object => ({ ...a, assumptionsUsed: [], solves: 0 });
      const unnamed = ASSUMPTIONS.filter(({ id, dimension, value }) => {
        const now = base.assumptions[id] ?? si(value, dimension);
        const other = dimension === 'temperature' ? now + 4 : now === 0 ? 0.1 : now * 1.15;
        if (told.assumptionsUsed.includes(id)) return false;
        return !same(figures(assess({ ...base, assumptions: { ...base.assumptions, [id]: other } })), figures(told));
      });
      expect(unnamed.map((a) => a.id)).toEqual([]);
    },
  );

  test.each(['big-tank', 'metric-header', 'crew-of-four'])('no assumption breaks %s at the ends of what it may be: it reads, and every figure is one', (id) => {
    const make = (): RigDocument => LAYOUTS.find((l) => l.id === id)!.make();
    // Antifreeze too thin for the night has no amount: the station says so in words.
    const known = ['rig.chemical.winter.antifreeze.value', ...holes(assess(parseRig(make())), 'rig')];
    for (const a of ASSUMPTIONS) {
      const rule = assumptionRule(a);
      for (const text of [rule.min, rule.max]) {
        const d = make();
        d.assumptions[a.id] = text;
        const read = readRig(d);
        if (!read.ok) throw new Error(`${a.id} ${text}: ${read.problems[0].message}`);
        const told = assess(read.rig);
        expect([a.id, text, holes(told, 'rig').filter((p) => !known.includes(p))]).toEqual([a.id, text, []]);
        expect(told.findings.length === 0).toBe(told.verdict === 'fed');
      }
    }
  });
});
