import * as v from 'valibot';
import type { QuantityRule } from './quantity-field.js';
import { type Rig, type RigDocument, RigSchema } from './schema.js';
import { standing } from './stand.js';
import { asParsed, strayKey } from './tree.js';
import { upgrade } from './upgrade.js';
import { wiringProblems } from './wiring.js';

/** Something wrong in what came in: where, what the bound is and a sentence a builder understands. */
export interface Problem {
  readonly code: string;
  /** `machines.0.flow`; empty for the document itself. */
  readonly path: string;
  readonly bound: string;
  readonly message: string;
}

/** A document that was read. `plain` is the rig as its fields say it, `rig` with every height above the deck; see `standing`. */
export interface Read {
  readonly document: RigDocument;
  readonly plain: Rig;
  readonly rig: Rig;
}

export type ReadRig = ({ readonly ok: true } & Read) | { readonly ok: false; readonly problems: readonly Problem[] };

/** Most problems told of one document: a person mends the first ones and looks again. */
export const MOST_PROBLEMS = 50;

/** Valibot issues as problems, one per place, the first {@link MOST_PROBLEMS} of them. */
export function problemsOf(issues: readonly v.BaseIssue<unknown>[]): Problem[] {
  return issues.slice(0, MOST_PROBLEMS).map((issue) => {
    const path = (issue.path ?? []).map((p) => String(p.key)).join('.');
    const bound = issue.expected ?? '';
    const code = bound.startsWith('≥') ? 'below' : bound.startsWith('≤') ? 'above' : issue.type === 'raw_transform' ? 'quantity' : issue.type;
    return { code, path, bound, message: sentence(issue, path) };
  });
}

function sentence(issue: v.BaseIssue<unknown>, path: string): string {
  const leaf = path.split('.').pop() || 'the document';
  if (issue.type === 'strict_object')
    return issue.expected === 'never'
      ? `"${leaf}" is not a field known here.`
      : issue.received === 'undefined'
        ? `"${leaf}" is missing.`
        : `"${leaf}" must be ${issue.expected}.`;
  if (/^Invalid (type|key)/.test(issue.message)) return `"${leaf}" must be ${issue.expected}, not ${issue.received}.`;
  return issue.message;
}

/**
 * Reads a rig document from unknown data: lifts old versions, checks every field and every connection. The document
 * given back holds what was read and nothing else, with quantities as typed.
 * Never throws; problems name field and bound.
 */
export function readRig(input: unknown): ReadRig {
  const stray = strayKey(input);
  if (stray) return { ok: false, problems: [stray] };
  const lifted = upgrade(input);
  if (!lifted.ok) return { ok: false, problems: [lifted.problem] };
  const parsed = v.safeParse(RigSchema, lifted.document);
  if (!parsed.success) return { ok: false, problems: problemsOf(parsed.issues) };
  const problems = wiringProblems(parsed.output);
  if (problems.length) return { ok: false, problems: problems.slice(0, MOST_PROBLEMS) };
  return { ok: true, document: asParsed(lifted.document, parsed.output) as RigDocument, plain: parsed.output, rig: standing(parsed.output) };
}

export class RigError extends Error {
  constructor(readonly problems: readonly Problem[]) {
    super(problems.map((p) => `${p.path || 'document'}: ${p.message}`).join(' '));
    this.name = 'RigError';
  }
}

/** As {@link readRig}, but throws {@link RigError}. */
export function parseRig(input: unknown): Rig {
  const read = readRig(input);
  if (!read.ok) throw new RigError(read.problems);
  return read.rig;
}

type AnySchema = v.GenericSchema & {
  entries?: Record<string, AnySchema>;
  item?: AnySchema;
  wrapped?: AnySchema;
  options?: readonly AnySchema[];
  pipe?: readonly unknown[];
};

function steps(schema: AnySchema, key: string): AnySchema[] {
  if (schema.wrapped) return steps(schema.wrapped, key);
  if (schema.options) return schema.options.filter((o) => typeof o === 'object').flatMap((o) => steps(o, key));
  if (schema.entries) return schema.entries[key] ? [schema.entries[key]] : [];
  if (schema.item && /^\d+$/.test(key)) return [schema.item];
  return [];
}

function ruleOf(schema: AnySchema): QuantityRule | undefined {
  if (schema.wrapped) return ruleOf(schema.wrapped);
  return (v.getMetadata(schema as never) as { quantity?: QuantityRule }).quantity;
}

/** The rule of the quantity at a path of the document (`machines.0.flow`), or undefined where no quantity lives. */
export function quantityRule(path: string): QuantityRule | undefined {
  let reach: AnySchema[] = [RigSchema as unknown as AnySchema];
  for (const key of path.split('.')) reach = reach.flatMap((s) => steps(s, key));
  for (const schema of reach) {
    const rule = ruleOf(schema);
    if (rule) return rule;
  }
  return undefined;
}
