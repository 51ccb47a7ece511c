import { parseArgs, type ParseArgsConfig } from 'node:util';
import { InputError } from './failure.js';

type Options = NonNullable<ParseArgsConfig['options']>;

export interface Arguments {
  /** Options that were given: true for one without a value. */
  readonly values: Readonly<Record<string, string | boolean | undefined>>;
  readonly words: readonly string[];
}

/** The words of a command line and its options. Throws {@link InputError} for an option that the command does not know. */
export function argumentsOf(args: readonly string[], options: Options): Arguments {
  const known = Object.keys(options).map((name) => `--${name}`);
  const { tokens } = parseArgs({ args: [...args], options, allowPositionals: true, strict: false, tokens: true });
  const values: Record<string, string | boolean> = {};
  const words: string[] = [];
  for (const t of tokens) {
    if (t.kind === 'positional') words.push(t.value);
    if (t.kind !== 'option') continue;
    const option = Object.hasOwn(options, t.name) ? options[t.name] : undefined;
    if (!option || !t.rawName.startsWith('--'))
      throw new InputError(`"${t.rawName.slice(0, 60)}" is not an option here. There is ${known.join(', ') || 'none'}.`);
    if (option.type === 'boolean' && t.value !== undefined) throw new InputError(`"${t.rawName}" takes no value.`);
    if (option.type === 'string' && t.value === undefined) throw new InputError(`"${t.rawName}" takes a value.`);
    values[t.name] = t.value ?? true;
  }
  return { values, words };
}
