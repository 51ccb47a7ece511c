import { printed } from '@pozzo/core';

/** Bad input: one clear line, exit 1. */
export class InputError extends Error {}

/** What goes to a terminal: what a file or a command line held cannot steer it. */
export const toTerminal = (o: Outcome): Outcome => ({ ...o, stdout: plain(o.stdout), stderr: plain(o.stderr) });

/** Line ends stay as they are: a CSV file has those of its standard. */
const plain = (text: string): string => text.split('\r\n').map(printed).join('\r\n');

/** What a command printed and how it ended. */
export interface Outcome {
  readonly stdout: string;
  readonly stderr: string;
  readonly exit: 0 | 1 | 2;
}
