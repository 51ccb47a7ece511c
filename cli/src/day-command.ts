import {
  assess,
  compareOptionsSteps,
  dayModel,
  type DayResult,
  type DaySample,
  finished,
  formatQuantity,
  sampleDays,
  sensitivitySteps,
  simulateModel,
  sizingSteps,
  type UnitSystem,
  variantsOf,
} from '@pozzo/core';
import { buildVerdict, verdictLines } from './build-verdict.js';
import { type Arguments, argumentsOf } from './arguments.js';
import { InputError } from './failure.js';
import { readRigFile } from './files.js';

const MOST_DAYS = 100_000;
/** What moves the answer is many rigs, and judges none of them. */
const MOST_SWUNG = 1000;
const MOST_SEED = 2 ** 31 - 1;
const FLAG = { type: 'boolean' } as const;
const NUMBER = { type: 'string' } as const;
const OPTIONS = { days: NUMBER, seed: NUMBER, size: FLAG, sensitivity: FLAG, options: FLAG, text: FLAG, metric: FLAG } as const;

interface Asked {
  readonly file: string;
  readonly days: number;
  readonly seed: number;
  readonly values: Arguments['values'];
}

function whole(name: string, text: string | undefined, least: number, most: number): number {
  const value = Number(text);
  if (text === undefined || !/^\d+$/.test(text) || !(value >= least && value <= most))
    throw new InputError(`${name} is a whole number from ${least} to ${most}.`);
  return value;
}

function asked(args: readonly string[]): Asked {
  const { values, words } = argumentsOf(args, OPTIONS);
  if (words.length !== 1) throw new InputError('day takes one rig file.');
  const number = (name: 'days' | 'seed', usual: number, most: number): number => {
    const given = values[name];
    return given === undefined ? usual : whole(`--${name}`, String(given), 0, most);
  };
  return { file: words[0], days: number('days', 1000, MOST_DAYS), seed: number('seed', 1, MOST_SEED), values };
}

/** Works the rig's usual day and samples its days; sizing, sensitivity and options when asked for. */
export function dayAnswer(args: readonly string[]): { readonly value: object; readonly text: string | undefined } {
  const { file, days, seed, values } = asked(args);
  const { rig, document } = readRigFile(file);
  const model = dayModel(rig);
  const { trace: _lines, ...usual } = simulateModel(model);
  const sample = days > 0 ? sampleDays(model, days, seed) : undefined;
  const build = buildVerdict(rig, assess(rig));
  const value = {
    build,
    usual,
    ...(sample ? { sample } : {}),
    ...(values['size'] ? { sizing: finished(sizingSteps(document, days, seed, true)) ?? null } : {}),
    ...(values['sensitivity'] ? { sensitivity: finished(sensitivitySteps(document, Math.min(days, MOST_SWUNG), seed)) } : {}),
    ...(values['options']
      ? {
          options: finished(
            compareOptionsSteps(
              [{ id: 'now', name: 'As built', rig: document }, ...variantsOf(document).map((v) => ({ id: v.id, name: v.title, rig: v.make() }))],
              days,
              seed,
              true,
            ),
          ),
        }
      : {}),
  };
  return {
    value,
    text: values['text'] ? dayText(verdictLines(rig, build, values['metric'] ? 'metric' : 'us'), usual, sample, values['metric'] ? 'metric' : 'us') : undefined,
  };
}

function dayText(build: readonly string[], usual: Omit<DayResult, 'trace'>, sample: DaySample | undefined, system: UnitSystem): string {
  const q = (v: number, d: Parameters<typeof formatQuantity>[1]): string => formatQuantity(v, d, system).replace(/\u00a0/g, ' ');
  const lines = [
    ...build,
    `Usual day: ${q(usual.lengthS, 'time')}, ${q(usual.used, 'volume')} of water used, ${q(usual.waitedS + usual.undoneS, 'time')} lost.`,
    ...usual.shortages.map((s) => `  ${s.name}: short of ${s.cause} after ${q(s.atS, 'time')}, ${q(s.lostS, 'time')} lost`),
  ];
  if (sample) {
    const p = (x: number): string => q(x, 'ratio');
    lines.push(
      `${sample.days} days, seed ${sample.seed}: short of water on ${p(sample.short.chance)} (${p(sample.short.low)} to ${p(sample.short.high)}); ${p(sample.tolerance)} allowed.`,
      ...sample.seasons.map((s) => `  ${s.season}: short on ${p(s.short.chance)} of its ${s.short.days} days`),
      ...sample.causes.map((c) => `  ${c.name}, ${c.cause}: ${p(c.chance.chance)} of days`),
    );
  }
  return lines.join('\n');
}
