import { advise, assess, fixOf, isDone, judgeRig, say, SEVERITY_WORDS, type ToDo, todoOf, type UnitSystem } from '@pozzo/core';
import { argumentsOf } from './arguments.js';
import { InputError } from './failure.js';
import { readRigFile } from './files.js';

const FLAG = { type: 'boolean' } as const;

/** Its grade in a word. */
const wordOf = (x: ToDo): string => (x.grade === 'unchecked' ? 'Not checked' : x.grade === 'note' ? 'Note' : SEVERITY_WORDS[x.scale][x.grade]);

/** `pozzo todo`: what stands between a build and done, worst first, each with its best fix; what was set aside with its reason. */
export function todoAnswer(args: readonly string[]): { readonly value: object; readonly text: string | undefined } {
  const { values, words } = argumentsOf(args, { text: FLAG, metric: FLAG });
  if (words.length !== 1) throw new InputError('todo takes one rig file.');
  const { rig, document } = readRigFile(words[0]);
  const system: UnitSystem = values['metric'] ? 'metric' : 'us';
  const assessment = assess(rig);
  const { sample, road } = judgeRig(rig, assessment);
  const todo = todoOf(rig, assessment, sample, road);
  const fixes = advise(document, rig, assessment);
  const items = todo.map((x) => {
    const fix = fixOf(x, fixes);
    return {
      of: x.of,
      grade: x.grade,
      word: wordOf(x),
      station: x.station,
      message: say(x.message, system),
      fix: fix ? say(fix.title, system) : null,
      aside: x.aside ?? null,
    };
  });
  const done = isDone(todo);
  if (!values['text']) return { value: { done, items }, text: undefined };
  const lines = items.map(
    (x) =>
      `  ${x.word.padEnd(14)} ${x.message}${x.aside === null ? (x.fix === null ? '' : `\n  ${''.padEnd(14)} → ${x.fix}`) : `\n  ${''.padEnd(14)} Set aside: ${x.aside}`}`,
  );
  return { value: {}, text: [`${rig.name}: ${done ? 'nothing left to do' : 'to do'}`, ...lines].join('\n') };
}
