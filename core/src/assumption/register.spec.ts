import { assess } from '../assess/assess';
import { LAYOUTS } from '../layouts/layouts';
import { parseRig, readRig } from '../rig/read';
import { assumptionRule } from '../rig/schema';
import type { RigDocument } from '../rig/schema';
import { readField } from '../rig/quantity-field';
import { ASSUMPTIONS, assumptionValues, findAssumption } from './register';

const crew = (): RigDocument => LAYOUTS.find((l) => l.id === 'crew-of-four')!.make();

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
      const read = readField(assumptionRule(a.dimension), a.value);
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

  test('no assumption breaks a rig at the ends of what it may be: it is assessed, or told', () => {
    for (const a of ASSUMPTIONS) {
      const rule = assumptionRule(a.dimension);
      for (const text of [rule.min, rule.max]) {
        const d = crew();
        d.assumptions[a.id] = text;
        const read = readRig(d);
        if (!read.ok) throw new Error(`${a.id} ${text}: ${read.problems[0].message}`);
        const told = assess(read.rig);
        expect(['fed', 'tight', 'starved', 'stop']).toContain(told.verdict);
      }
    }
  });
});
