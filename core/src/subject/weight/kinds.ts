import type { Judged } from '../assessment.js';
import { type FindingFigure, type Kinds } from '../kind.js';
import { weightRules } from './fixes.js';
import type { WeightState } from './result.js';

export type WeightCode =
  | 'over-gross'
  | 'over-axle'
  | 'over-coupling'
  | 'over-tow'
  | 'over-shelf'
  | 'tongue-light'
  | 'tongue-heavy'
  | 'steer-light'
  | 'side-heavy'
  | 'tips'
  | 'no-brakes'
  | 'slope-tips'
  | 'ticket-off';

const driven = (a: Judged): readonly WeightState[] => a.weight?.states.filter((s) => s.driven) ?? [];
const least = (list: readonly number[], none: number): number => (list.length ? Math.min(...list) : none);

/** What is left to a rating, of the worst of those that begin so; less than nothing when over. */
const spare = (...ids: readonly string[]): FindingFigure => ({
  label: 'to its rating',
  dimension: 'mass',
  better: 'more',
  step: 1,
  of: (a) =>
    least(
      driven(a).flatMap((s) => s.limits.flatMap((l) => (ids.some((id) => l.id.startsWith(id)) ? [l.ratingKg - l.loadKg] : []))),
      0,
    ),
});

export const WEIGHT_KINDS: Kinds<WeightCode> = {
  'over-gross': { figure: spare('gross'), rules: weightRules },
  'over-axle': { figure: spare('axle-', 'tyres-'), rules: weightRules },
  'over-coupling': { figure: spare('coupling'), rules: weightRules },
  'over-tow': { figure: spare('tow-'), rules: weightRules },
  'over-shelf': {
    figure: {
      label: 'to its rating',
      dimension: 'mass',
      better: 'more',
      step: 1,
      of: (a, id) => {
        const s = a.weight?.shelves.find((x) => x.gearId === id);
        return s?.ratingKg === undefined ? 0 : s.ratingKg - s.loadKg;
      },
    },
    rules: weightRules,
  },
  'tongue-light': {
    figure: {
      label: 'least on the ‹coupler›',
      dimension: 'ratio',
      better: 'more',
      step: 0.002,
      of: (a) =>
        least(
          driven(a).map((s) => s.tongueShare ?? 1),
          1,
        ),
    },
    rules: weightRules,
  },
  'tongue-heavy': {
    figure: {
      label: 'most on the ‹coupler›',
      dimension: 'ratio',
      better: 'less',
      step: 0.002,
      of: (a) => Math.max(0, ...driven(a).map((s) => s.tongueShare ?? 0)),
    },
    rules: weightRules,
  },
  'steer-light': {
    figure: {
      label: 'on the steering axle',
      dimension: 'ratio',
      better: 'more',
      step: 0.002,
      of: (a) =>
        least(
          driven(a).map((s) => s.steerShare ?? 1),
          1,
        ),
    },
    rules: weightRules,
  },
  'side-heavy': {
    figure: {
      label: 'between the sides',
      dimension: 'ratio',
      better: 'less',
      step: 0.002,
      of: (a) => Math.max(0, ...driven(a).map((s) => 2 * Math.abs(s.streetShare - 0.5))),
    },
    rules: weightRules,
  },
  tips: {
    figure: {
      label: 'before it tips, share of g',
      dimension: 'number',
      better: 'more',
      step: 0.005,
      of: (a) =>
        least(
          driven(a).map((s) => s.rolloverG),
          9,
        ),
    },
    rules: weightRules,
  },
  'no-brakes': {
    scale: 'practice',
    figure: { label: 'without brakes', dimension: 'number', better: 'less', step: 0.5, of: (a) => (a.findings.some((f) => f.code === 'no-brakes') ? 1 : 0) },
    rules: weightRules,
  },
  'slope-tips': {
    figure: { label: 'left on the ‹coupler›', dimension: 'mass', better: 'more', step: 1, of: (a) => a.weight?.slope?.tongueKg ?? 0 },
    rules: weightRules,
  },
  'ticket-off': {
    scale: 'practice',
    figure: { label: 'off the ticket', dimension: 'number', better: 'less', step: 0.5, of: (a) => (a.findings.some((f) => f.code === 'ticket-off') ? 1 : 0) },
  },
};
