/** Bad input: one clear line, exit 1. */
export class InputError extends Error {}

/** What a command printed and how it ended. */
export interface Outcome {
  readonly stdout: string;
  readonly stderr: string;
  readonly exit: 0 | 1 | 2;
}
