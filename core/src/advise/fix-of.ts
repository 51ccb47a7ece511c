import type { ToDo } from '../day/todo.js';
import type { Fix } from './advise.js';

/** The best fix of something to do: the first that ends it, else the first that helps. */
export const fixOf = (x: Pick<ToDo, 'finding'>, fixes: readonly Fix[]): Fix | undefined => {
  const own = fixes.filter((f) => f.code === x.finding?.code && f.subjectId === x.finding.subject.id);
  return own.find((f) => f.cures) ?? own[0];
};
