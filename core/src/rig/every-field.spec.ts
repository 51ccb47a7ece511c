import { assess } from '../assess/assess';
import { dayModel } from '../day/model';
import { sampleDays } from '../day/sample';
import { simulateModel } from '../day/simulate-day';
import { LAYOUTS } from '../layouts/layouts';
import { example } from '../quantity/parse';
import type { Dimension } from '../quantity/dimension';
import { changed, holes, leaves } from '../testing/tree';
import { quantityRule, readRig } from './read';

/** Every field that some starting layout fills, once: an example of it, with where it stands. */
const FIELDS = (() => {
  const found = new Map<string, { document: unknown; path: string; value: unknown }>();
  for (const layout of LAYOUTS) {
    const document = JSON.parse(JSON.stringify(layout.make()));
    for (const [path, value] of leaves(document)) {
      const pattern = path.replace(/\d+/g, '#');
      if (!found.has(pattern)) found.set(pattern, { document, path, value });
    }
  }
  return [...found.values()];
})();
const QUANTITIES = FIELDS.filter((f) => quantityRule(f.path) !== undefined);

const problemAt = (document: unknown, path: string) => {
  const read = readRig(document);
  return read.ok ? undefined : read.problems.find((p) => p.path === path);
};
/** A number with its unit, moved by a factor of its size (or off nought by the unit itself). */
const beyond = (bound: string, up: boolean): string => {
  const [, money, number, unit] = /^(\$?)(-?[\d.]+)\s*(.*)$/.exec(bound)!;
  const moved = Number(number) + (up ? 1 : -1) * (Math.abs(Number(number)) * 0.01 + 0.01);
  return `${moved < 0 ? '-' : ''}${money}${Math.abs(moved)} ${unit}`.trim();
};

test('the layouts fill well over a hundred kinds of field, most of them quantities', () => {
  expect(FIELDS.length).toBeGreaterThan(140);
  expect(QUANTITIES.length).toBeGreaterThan(80);
});

describe('every quantity of a rig file', () => {
  test('is refused just above and just below what it may be, by name and bound', () => {
    for (const { document, path } of QUANTITIES) {
      const rule = quantityRule(path)!;
      for (const [text, bound] of [
        [beyond(rule.max, true), `≤ ${rule.max}`],
        [beyond(rule.min, false), `≥ ${rule.min}`],
      ]) {
        const problem = problemAt(changed(document, path, text), path);
        expect([path, text, problem?.bound]).toEqual([path, text, bound]);
        expect(problem!.message).toContain(`${text} is too`);
        expect(problem!.message).toContain(bound.slice(2));
      }
    }
  });

  test('is taken at both its bounds, as far as the field itself goes', () => {
    for (const { document, path } of QUANTITIES) {
      const rule = quantityRule(path)!;
      for (const text of [rule.min, rule.max]) {
        const problem = problemAt(changed(document, path, text), path);
        expect([path, text, problem?.bound.match(/^[≥≤]/)?.[0]]).toEqual([path, text, undefined]);
      }
    }
  });

  test('at either bound leaves a rig whose every figure is a number, and whose flows settle', () => {
    let judged = 0;
    for (const { document, path } of QUANTITIES) {
      if (path.startsWith('brief.day')) continue;
      const rule = quantityRule(path)!;
      for (const text of [rule.min, rule.max]) {
        const read = readRig(changed(document, path, text));
        if (!read.ok) continue;
        const { chemical, ...a } = assess(read.rig);
        const found = [...holes(a, 'rig'), ...holes(chemical, 'chemical')];
        expect([path, text, found]).toEqual([path, text, []]);
        expect([path, text, a.findings.map((f) => f.code).includes('unsolved')]).toEqual([path, text, false]);
        judged++;
      }
    }
    expect(judged).toBeGreaterThan(160);
  });

  test('is refused in another dimension, without a unit, empty, as a number and left as nothing', () => {
    for (const { document, path } of QUANTITIES) {
      const { dimension } = quantityRule(path)!;
      const other: Dimension = dimension === 'temperature' ? 'flow' : 'temperature';
      for (const value of [example(other), '', 'lots', 'NaN', 'Infinity gpm', 7, null, [], {}]) {
        const problem = problemAt(changed(document, path, value), path);
        expect([path, value, problem !== undefined]).toEqual([path, value, true]);
        expect(problem!.message.length).toBeGreaterThan(8);
      }
    }
  });
});

/**
 * Drawn or named only: the angle is part of a nozzle's code; the row of a reel that has its place is that of its stack; no
 * layout has water run back through a check valve.
 */
const STILL = ['outlets.#.nozzle.angle', 'reels.#.row', 'lines.#.parts.#.oneWay'];

test('every quantity and every yes or no of a rig file moves something that is told', () => {
  const told = (document: unknown): string | undefined => {
    const read = readRig(document);
    if (!read.ok) return undefined;
    const model = dayModel(read.rig);
    // To seven digits: what the solver leaves behind moves nothing.
    const figures = (_key: string, x: unknown): unknown => (typeof x === 'number' ? Number(x.toPrecision(7)) : x);
    return JSON.stringify([assess(read.rig), simulateModel(model), sampleDays(model, 4, 1)], figures);
  };
  const moves = new Map<string, boolean>();
  for (const layout of LAYOUTS) {
    const document = JSON.parse(JSON.stringify(layout.make()));
    const now = told(document);
    for (const [path, value] of leaves(document)) {
      const pattern = path.replace(/\d+/g, '#');
      const rule = quantityRule(path);
      if (moves.get(pattern) || !(rule || typeof value === 'boolean')) continue;
      const number = /^([^\d-]*)(-?[\d.]+)(\D*)$/.exec(String(value));
      const scaled = number ? [0.7, 1.4, 2].map((f) => `${number[1]}${Number(number[2]) * f}${number[3]}`) : [];
      const others = rule ? [...scaled, rule.min, rule.max] : [!value];
      const moved = others.some((other) => {
        const then = told(changed(document, path, other));
        return then !== undefined && then !== now;
      });
      moves.set(pattern, moved);
    }
  }
  expect(moves.size).toBeGreaterThan(80);
  expect([...moves].filter(([, moved]) => !moved).map(([pattern]) => pattern)).toEqual(STILL);
});

test('every other field refuses what it cannot be, by name', () => {
  for (const { document, path } of FIELDS.filter((f) => quantityRule(f.path) === undefined)) {
    for (const value of [7.5, [], {}, null]) {
      const read = readRig(changed(document, path, value));
      expect([path, value, read.ok]).toEqual([path, value, false]);
      if (!read.ok && !['format', 'version'].includes(path))
        expect([path, read.problems.some((p) => p.path.startsWith(path.split('.').slice(0, 2).join('.')))]).toEqual([path, true]);
    }
  }
});

test('a field that no rig has is told wherever it stands', () => {
  const parents = new Map(FIELDS.map((f) => [f.path.replace(/\d+/g, '#').split('.').slice(0, -1).join('.'), f]));
  for (const [pattern, { document, path }] of parents) {
    if (/assumptions$|#$/.test(pattern) && !/\.#$/.test(pattern)) continue;
    const stranger = [...path.split('.').slice(0, -1), 'stranger'].join('.');
    if (
      Array.isArray(
        path
          .split('.')
          .slice(0, -1)
          .reduce<unknown>((at, k) => (at as Record<string, unknown>)[k], document),
      )
    )
      continue;
    expect([stranger, problemAt(changed(document, stranger, 'x'), stranger)?.message]).toEqual([stranger, '"stranger" is not a field known here.']);
  }
});
