import {
  compareOptionsSteps,
  type DayResult,
  dayModel,
  type DaySample,
  formatQuantity,
  sampleDays,
  sensitivitySteps,
  simulateModel,
  sizingSteps,
  type UnitSystem,
  variantsOf,
} from '@pozzo/core';
import { InputError } from './failure.js';
import { readRigFile } from './files.js';

const MOST_DAYS = 100_000;
const MOST_SEED = 2 ** 31 - 1;
const KNOWN = ['--days', '--seed', '--size', '--sensitivity', '--options', '--text', '--metric'];

interface Asked {
  readonly file: string;
  readonly days: number;
  readonly seed: number;
  readonly flags: ReadonlySet<string>;
}

function whole(name: string, text: string | undefined, least: number, most: number): number {
  const value = Number(text);
  if (text === undefined || !/^\d+$/.test(text) || !(value >= least && value <= most))
    throw new InputError(`${name} is a whole number from ${least} to ${most}.`);
  return value;
}

function asked(args: readonly string[]): Asked {
  const flags = new Set<string>();
  const rest: string[] = [];
  let days = 1000;
  let seed = 1;
  for (let i = 0; i < args.length; i++) {
    const a = args[i];
    if (a === '--days') days = whole('--days', args[++i], 0, MOST_DAYS);
    else if (a === '--seed') seed = whole('--seed', args[++i], 0, MOST_SEED);
    else if (KNOWN.includes(a)) flags.add(a);
    else if (a.startsWith('--')) throw new InputError(`"${a}" is not an option here. There is ${KNOWN.join(', ')}.`);
    else rest.push(a);
  }
  if (rest.length !== 1) throw new InputError('day takes one rig file.');
  return { file: rest[0], days, seed, flags };
}

function result<T>(steps: Generator<number, T>): T {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/** Works the rig's usual day and samples its days; sizing, sensitivity and options when asked for. */
export function dayAnswer(args: readonly string[]): { readonly value: object; readonly text: string | undefined } {
  const { file, days, seed, flags } = asked(args);
  const { rig, document } = readRigFile(file);
  const model = dayModel(rig);
  const { trace: _lines, ...usual } = simulateModel(model);
  const sample = days > 0 ? sampleDays(model, days, seed) : undefined;
  // Sizes and options are many rigs: fewer days each.
  const each = Math.min(days, 1000);
  const value = {
    usual,
    ...(sample ? { sample } : {}),
    ...(flags.has('--size') ? { sizing: result(sizingSteps(document, each, seed)) ?? null } : {}),
    ...(flags.has('--sensitivity') ? { sensitivity: result(sensitivitySteps(document, each, seed)) } : {}),
    ...(flags.has('--options')
      ? {
          options: result(
            compareOptionsSteps(
              [{ id: 'now', name: 'As built', rig: document }, ...variantsOf(document).map((v) => ({ id: v.id, name: v.title, rig: v.make() }))],
              each,
              seed,
            ),
          ),
        }
      : {}),
  };
  return { value, text: flags.has('--text') ? dayText(usual, sample, flags.has('--metric') ? 'metric' : 'us') : undefined };
}

function dayText(usual: Omit<DayResult, 'trace'>, sample: DaySample | undefined, system: UnitSystem): string {
  const q = (v: number, d: Parameters<typeof formatQuantity>[1]): string => formatQuantity(v, d, system).replace(/\u00a0/g, ' ');
  const lines = [
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
