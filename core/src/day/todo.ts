import type { Aside, Rig, RigDocument } from '../rig/schema.js';
import type { Assessment } from '../subject/assessment.js';
import type { Finding, Station } from '../subject/finding.js';
import { FINDING_KINDS } from '../subject/index.js';
import type { Scale, Verdict } from '../subject/verdict.js';
import type { AsTold, Message } from '../working/figure.js';
import { daysSay, type JudgedDays } from './judge.js';
import { uncheckedOf } from './not-checked.js';

/** How bad something is that is left to do: a finding's grade, what nobody checked, or a note. */
export type ToDoGrade = Exclude<Verdict, 'fed'> | 'unchecked' | 'note';

/** Something between a build and done. */
export interface ToDo {
  /** Its kind and its things: the same whatever they are called. */
  readonly of: string;
  readonly grade: ToDoGrade;
  readonly scale: Scale;
  readonly station: Station;
  readonly message: Message;
  /** Of a finding: what its fixes answer. */
  readonly finding: Pick<Finding, 'code' | 'subject'> | undefined;
  /** Why it stays as it is, where that was said and it is no worse than then. */
  readonly aside: string | undefined;
}

const ORDER: readonly ToDoGrade[] = ['stop', 'starved', 'tight', 'unchecked', 'note'];
const rank = (grade: ToDoGrade): number => ORDER.indexOf(grade);
const gradeOf = (v: Verdict): ToDoGrade => (v === 'fed' ? 'note' : v);

/** Whether it may be set aside: nobody sets aside what is unsafe, and a note needs no reason. */
export const mayWait = (grade: ToDoGrade): grade is Aside['grade'] => grade === 'tight' || grade === 'starved' || grade === 'unchecked';

/**
 * What is left to do on a build, worst first: what was found at all stations, by its days and on the road, then what nobody
 * checked, then notes.
 * @param days its days, where they are known
 * @param road see `roadFinding`
 */
export function todoOf(rig: Rig, a: AsTold<Pick<Assessment, 'findings'>>, days: JudgedDays | undefined, road: Finding | undefined): readonly ToDo[] {
  const asides = new Map((rig.asides ?? []).map((x) => [x.of, x]));
  const item = (of: string, grade: ToDoGrade, scale: Scale, station: Station, said: Message, finding?: ToDo['finding']): ToDo => {
    const aside = asides.get(of);
    const holds = aside && mayWait(grade) && rank(grade) >= rank(aside.grade);
    return { of, grade, scale, station, message: said, finding, aside: holds ? aside.reason : undefined };
  };
  const found = (f: Finding): ToDo =>
    item([f.code, f.subject.id, ...(f.also ?? []).map((x) => x.id)].join(':'), gradeOf(f.verdict), FINDING_KINDS[f.code].scale, f.station, f.message, f);
  const out = [
    ...a.findings.map((f) => found(f)),
    ...(road ? [found(road)] : []),
    ...(days ? daysSay(days) : [])
      .filter((d) => d.verdict !== 'fed')
      .map((d) => item(['days', d.cause, ...(d.id === undefined ? [] : [d.id])].join(':'), gradeOf(d.verdict), 'feeding', 'day', d.message)),
    ...uncheckedOf(rig).map((u) => item(`unchecked:${u.id}`, 'unchecked', 'feeding', u.station, u.message)),
  ];
  // One thing found twice, as by a filling and by a minute of the road, is one thing to do: the worse.
  const worst = new Map<string, ToDo>();
  for (const x of out) if (!worst.has(x.of) || rank(x.grade) < rank(worst.get(x.of)!.grade)) worst.set(x.of, x);
  return [...worst.values()].sort((x, y) => rank(x.grade) - rank(y.grade));
}

/** Whether nothing above a note is left that was not set aside. */
export const isDone = (todo: readonly ToDo[]): boolean => todo.every((x) => x.grade === 'note' || x.aside !== undefined);

/** Sets something aside with a reason, in place; without one takes it back. */
export function setAside(d: RigDocument, x: Pick<ToDo, 'of' | 'grade'>, reason: string): void {
  const others = (d.asides ?? []).filter((a) => a.of !== x.of);
  const said = reason.trim();
  if (said && mayWait(x.grade)) others.push({ of: x.of, grade: x.grade, reason: said });
  if (others.length) d.asides = others;
  else delete d.asides;
}
