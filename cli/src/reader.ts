import { type Locale, localeFor, LOCALES } from '@pozzo/core';
import { InputError } from './failure.js';

/** Whose words the answers are in: `--locale`, else the environment's. What is left of the arguments goes to the command. */
export function readerOf(
  args: readonly string[],
  environment: Readonly<Record<string, string | undefined>>,
): { readonly locale: Locale; readonly args: readonly string[] } {
  const at = args.findIndex((a) => a === '--locale' || a.startsWith('--locale='));
  if (at < 0) {
    const tag = ['LC_ALL', 'LC_MESSAGES', 'LANG'].map((name) => environment[name]).find((value) => value) ?? '';
    return { locale: localeFor([tag.split('.')[0]]), args };
  }
  const inOne = args[at].startsWith('--locale=');
  const asked = inOne ? args[at].slice('--locale='.length) : args[at + 1];
  const locale = LOCALES.find((l) => l === asked);
  if (!locale) throw new InputError(`--locale takes ${LOCALES.join(' or ')}${asked === undefined ? '' : `, not "${asked.slice(0, 60)}"`}.`);
  return { locale, args: [...args.slice(0, at), ...args.slice(at + (inOne ? 1 : 2))] };
}
