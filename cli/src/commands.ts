import { advise, assess, blendInp, doSum, findSum, readInp, rigInp, say, SI_UNIT, solveInp, SUMS, type UnitSystem } from '@pozzo/core';
import { argumentsOf } from './arguments.js';
import { powerAnswer } from './power-command.js';
import { buildVerdict } from './build-verdict.js';
import { todoAnswer } from './todo-command.js';
import { deckAnswer, weighAnswer } from './deck-commands.js';
import { dayAnswer } from './day-command.js';
import { InputError, type Outcome, toTerminal } from './failure.js';
import { readRigFile, readText } from './files.js';
import { layoutFile, layoutList, rigJsonSchema } from './layout-commands.js';
import { KEEPING, KEEPING_USAGE } from './keeping.js';
import { textReport } from './text-report.js';

const USAGE = `pozzo assess <rig file> [--text] [--metric] [--fixes]   judge a rig
pozzo day <rig file> [--days N] [--seed S] [--size] [--sensitivity] [--options] [--text] [--metric]
                                                        work its day, and sample many
pozzo todo <rig file> [--text] [--metric]               what is left to do, worst first, with the best fix of each
pozzo weigh <rig file>                                  axles, coupler and sides in every filling, and in the day's worst minutes
pozzo power <rig file> [--svg|--wires] [--metric]       fuel, circuits, battery and air through its day; one-line diagram; wire list
pozzo deck <rig file> --svg|--dxf [--metric]            plan and elevation to scale
pozzo inp <rig file> [<mix id>]                         write its network, or that of a mix, as an EPANET file
pozzo solve <file.inp> [<file.inp> ...]                 solve networks, a JSON line each
pozzo sum <name> key=value ...  [--metric]              do one calculation
pozzo sum --list                                        list the calculations
pozzo sum --batch <file.json>  [--metric]               do many: an array of {sum, inputs} to an array of answers
pozzo layouts                                           list the starting layouts
pozzo layout <id>                                       print one as a rig file
pozzo schema                                            print the JSON Schema of the rig file
${KEEPING_USAGE}
With any of them: --locale en-US|en-GB, whose words; left out, the environment’s (LC_ALL, LANG).`;

/** What a command prints; one whose answers are not all good says so by its exit. */
type Command = (args: readonly string[]) => string | Partly;
interface Partly {
  readonly text: string;
  readonly exit: 1;
}

const FLAG = { type: 'boolean' } as const;

/** Infinity is not JSON: written as the text "Infinity", so that no figure turns into null unnoticed. */
const json = (value: unknown): string => JSON.stringify(value, (_key, x: unknown) => (typeof x === 'number' && !Number.isFinite(x) ? String(x) : x));

const assessCommand: Command = (args) => {
  const { values, words: rest } = argumentsOf(args, { text: FLAG, metric: FLAG, fixes: FLAG });
  if (rest.length !== 1) throw new InputError('assess takes one rig file.');
  const { rig, document } = readRigFile(rest[0]);
  const assessment = assess(rig);
  const system = values['metric'] ? 'metric' : 'us';
  const judged = buildVerdict(rig, assessment);
  if (values['text']) return textReport(rig, assessment, judged, system);
  if (!values['fixes']) return json({ ...assessment, judged });
  return json({ ...assessment, judged, fixes: advise(document, rig, assessment).map((f) => ({ ...f, title: say(f.title, system) })) });
};

/** Most sums of one batch. */
const MOST_SUMS = 10_000;

/** Answers to many sums, in order; a bad entry's answer is its error, and the exit tells of it. */
function batchOf(files: readonly string[], system: UnitSystem): string | Partly {
  if (files.length !== 1) throw new InputError('sum --batch takes one file.');
  let asked: unknown;
  try {
    asked = JSON.parse(readText(files[0]));
  } catch (error) {
    if (error instanceof InputError) throw error;
    throw new InputError(`${files[0]} is not JSON.`);
  }
  if (!Array.isArray(asked)) throw new InputError(`${files[0]} must hold an array of {"sum", "inputs"}.`);
  if (asked.length > MOST_SUMS) throw new InputError(`At most ${MOST_SUMS} sums at once; there are ${asked.length}.`);
  const answers = asked.map((entry: unknown) => {
    const { sum: name, inputs } = (typeof entry === 'object' && entry !== null ? entry : {}) as { sum?: unknown; inputs?: unknown };
    const sum = typeof name === 'string' ? findSum(name) : undefined;
    if (!sum) return { error: typeof name === 'string' ? `There is no sum "${name.slice(0, 60)}".` : 'An entry is {"sum", "inputs"}.' };
    if (typeof inputs !== 'object' || inputs === null || Array.isArray(inputs)) return { error: `${sum.name}: inputs must be an object of texts.` };
    const done = doSum(sum, inputs as Record<string, unknown>, system);
    return done.ok ? done.value : { error: done.problems.map((p) => p.message).join(' ') };
  });
  const text = json(answers);
  return answers.some((a) => 'error' in a) ? { text, exit: 1 } : text;
}

const sumCommand: Command = (args) => {
  const { values, words: rest } = argumentsOf(args, { list: FLAG, metric: FLAG, batch: FLAG });
  if (values['batch']) return batchOf(rest, values['metric'] ? 'metric' : 'us');
  if (values['list'])
    return json(
      SUMS.map((s) => ({
        name: s.name,
        title: s.title,
        inputs: s.inputs.map((i) => ({
          name: i.name,
          label: i.label,
          dimension: i.rule.dimension,
          unit: SI_UNIT[i.rule.dimension],
          min: i.rule.min,
          max: i.rule.max,
          ...(i.fallback === undefined ? {} : { default: i.fallback }),
          ...(i.choices ? { choices: i.choices } : {}),
        })),
        result: s.outputs.map((o) => ({ ...o, unit: SI_UNIT[o.dimension] })),
      })),
    );
  const [name, ...pairs] = rest;
  const sum = name === undefined ? undefined : findSum(name);
  if (!sum) throw new InputError(`${name === undefined ? 'sum needs a name' : `There is no sum "${name}"`}. There is ${SUMS.map((s) => s.name).join(', ')}.`);
  const typed: Record<string, string> = {};
  for (const pair of pairs) {
    const at = pair.indexOf('=');
    if (at < 1) throw new InputError(`"${pair}" is not key=value. ${sum.name} takes ${sum.inputs.map((i) => i.name).join(', ')}.`);
    const key = pair.slice(0, at);
    if (Object.hasOwn(typed, key)) throw new InputError(`"${key}" is given twice.`);
    typed[key] = pair.slice(at + 1);
  }
  const done = doSum(sum, typed, values['metric'] ? 'metric' : 'us');
  if (!done.ok) throw new InputError(done.problems.map((p) => p.message).join(' '));
  return json(done.value);
};

const inpCommand: Command = (args) => {
  const { words: rest } = argumentsOf(args, {});
  if (rest.length < 1 || rest.length > 2) throw new InputError('inp takes one rig file, and the id of a mix to get its network.');
  const { rig } = readRigFile(rest[0]);
  if (rest.length === 1) return rigInp(rig).trimEnd();
  const blend = blendInp(rig, rest[1]);
  if (!blend) throw new InputError(`There is no blend "${rest[1]}" on this rig. There is ${rig.mixes.map((m) => m.id).join(', ') || 'none'}.`);
  return blend.trimEnd();
};

const solveCommand: Command = (args) => {
  const { words: rest } = argumentsOf(args, {});
  if (rest.length === 0) throw new InputError('solve takes one network file or more.');
  // All files are read before anything is printed: an answer is whole or not there.
  const networks = rest.map((path) => {
    const read = readInp(readText(path));
    if (!read.ok)
      throw new InputError(
        read.problems
          .slice(0, 5)
          .map((p) => `${path}, line ${p.line}: ${p.message}`)
          .join(' ') + (read.problems.length > 5 ? ` (and ${read.problems.length - 5} more)` : ''),
      );
    return read.network;
  });
  return networks.map((n) => json(solveInp(n))).join('\n');
};

const dayCommand: Command = (args) => {
  const { value, text } = dayAnswer(args);
  return text ?? json(value);
};

const todoCommand: Command = (args) => {
  const { value, text } = todoAnswer(args);
  return text ?? json(value);
};
const weighCommand: Command = (args) => json(weighAnswer(args));
const powerCommand: Command = (args) => {
  const answer = powerAnswer(args);
  return typeof answer === 'string' ? answer : json(answer);
};
const deckCommand: Command = (args) => deckAnswer(args);

/** A command that takes so many words and no options. */
const plain =
  (name: string, most: number, answer: (word: string | undefined) => string): Command =>
  (args) => {
    const { words: rest } = argumentsOf(args, {});
    if (rest.length > most) throw new InputError(`${name} takes ${most === 0 ? 'nothing more' : 'one id'}.`);
    return answer(rest[0]);
  };

const COMMANDS: Readonly<Record<string, Command>> = {
  layouts: plain('layouts', 0, layoutList),
  layout: plain('layout', 1, layoutFile),
  schema: plain('schema', 0, () => JSON.stringify(rigJsonSchema(), null, 2)),
  assess: assessCommand,
  day: dayCommand,
  todo: todoCommand,
  weigh: weighCommand,
  power: powerCommand,
  deck: deckCommand,
  inp: inpCommand,
  solve: solveCommand,
  sum: sumCommand,
};

/** Runs a command line. Never throws: exit 0 done, 1 bad input with one line, 2 internal. */
export const run = (args: readonly string[]): Outcome => toTerminal(ran(args));

function ran(args: readonly string[]): Outcome {
  const [name, ...rest] = args;
  if (name === undefined || name === '--help' || name === 'help') return { stdout: USAGE, stderr: '', exit: name === undefined ? 1 : 0 };
  const command = Object.hasOwn(COMMANDS, name) ? COMMANDS[name] : undefined;
  try {
    if (!command) throw new InputError(`Unknown command "${name.slice(0, 60)}". There is ${[...Object.keys(COMMANDS), ...KEEPING].join(', ')}.`);
    const said = command(rest);
    return typeof said === 'string' ? { stdout: said, stderr: '', exit: 0 } : { stdout: said.text, stderr: '', exit: said.exit };
  } catch (error) {
    if (error instanceof InputError) return { stdout: '', stderr: error.message.replace(/\s*\n\s*/g, ' '), exit: 1 };
    return { stdout: '', stderr: `Internal error: ${(error as Error).stack ?? String(error)}`, exit: 2 };
  }
}
