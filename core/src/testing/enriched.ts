import * as v from 'valibot';
import type { QuantityRule } from '../rig/quantity-field';
import { readRig } from '../rig/read';
import { type RigDocument, RigSchema, THINGS } from '../rig/schema';

type AnySchema = v.GenericSchema & {
  readonly type: string;
  readonly entries?: Record<string, AnySchema>;
  readonly item?: AnySchema;
  readonly wrapped?: AnySchema;
  readonly options?: readonly unknown[];
  readonly literal?: unknown;
  readonly pipe?: readonly AnySchema[];
};
type Tree = Record<string, unknown>;

/** A quantity's text a share of the way from one bound to the other. */
const between = ({ min, max }: QuantityRule, share: number): string => {
  const [from, to] = [min, max].map((text) => Number(/-?[\d.]+(?:e-?\d+)?/.exec(text)![0]));
  const unit = /[^\d\s.-].*$/.exec(max)?.[0] ?? '';
  return unit.startsWith('$') ? max : `${Number((from + (to - from) * share).toPrecision(3))} ${unit}`.trim();
};

/** Values that a field may have, the likeliest first. @param ids of everything in the document */
export function* valuesOf(schema: AnySchema, ids: readonly string[]): Generator<unknown> {
  const rule = (v.getMetadata(schema as never) as { quantity?: QuantityRule }).quantity;
  if (rule) for (const share of [0.07, 0.3, 0.013, 1, 0]) yield between(rule, share);
  else if (schema.wrapped) yield* valuesOf(schema.wrapped, ids);
  else if (schema.type === 'boolean') yield* [true, false];
  else if (schema.type === 'literal') yield schema.literal;
  else if (schema.type === 'picklist') yield* schema.options!;
  else if (schema.type === 'string') yield* [...ids, '2026-03-01', '1', '2', 'x'];
  else if (schema.type === 'variant' || schema.type === 'union') for (const o of schema.options as readonly AnySchema[]) yield* valuesOf(o, ids);
  else if (schema.entries) {
    const made: Tree = {};
    for (const [key, field] of Object.entries(schema.entries)) if (field.type !== 'optional') made[key] = valuesOf(field, ids).next().value;
    yield made;
  } else if (schema.item) for (const value of valuesOf(schema.item, ids)) yield [value];
}

/** Schemas that an object may be read by. */
function formsOf(schema: AnySchema, at: unknown): readonly AnySchema[] {
  if (schema.wrapped) return formsOf(schema.wrapped, at);
  if (schema.type === 'variant' || schema.type === 'union')
    return (schema.options as readonly AnySchema[])
      .filter((o) => typeof o === 'object')
      .flatMap((o) => formsOf(o, at))
      .filter((o) => v.is(o as never, at));
  return [schema];
}

/** Every field that an entry of the document does not have and might, with where it stands. */
function* missing(schema: AnySchema, at: unknown, path: readonly string[]): Generator<readonly [path: readonly string[], schema: AnySchema]> {
  for (const form of formsOf(schema, at)) {
    if (Array.isArray(at) && form.item) for (const [i, x] of at.entries()) yield* missing(form.item, x, [...path, String(i)]);
    else if (form.entries && typeof at === 'object' && at !== null)
      for (const [key, field] of Object.entries(form.entries)) {
        if (key in at) yield* missing(field, (at as Tree)[key], [...path, key]);
        // Things are those of the layout; what they may say of themselves is all said.
        else if (path.length > 0) yield [[...path, key], field];
      }
  }
}

/** The first thing of each list: what a field may name. */
const namedIn = (d: RigDocument): readonly string[] =>
  Object.values(THINGS).flatMap(({ list }) => (d[list] as readonly { readonly id: string }[] | undefined)?.[0]?.id ?? []);

/** A document with every optional field of everything in it filled in, as far as it still reads. */
export function enriched(document: RigDocument): RigDocument {
  let d = JSON.parse(JSON.stringify(document)) as RigDocument;
  const ids = namedIn(d);
  /** Fields of one object and their values: taken together where they read together, else in halves. */
  const fill = (fields: readonly (readonly [readonly string[], Iterator<unknown>])[]): void => {
    const next = structuredClone(d);
    for (const [path, values] of fields) {
      const value = values.next();
      if (value.done) return;
      path.slice(0, -1).reduce<Tree>((x, k) => x[k] as Tree, next as unknown as Tree)[path[path.length - 1]] = value.value;
    }
    if (readRig(next).ok) d = next;
    else if (fields.length === 1) fill(fields);
    else {
      const fresh = fields.map(([path]) => [path, valuesOf(schemas.get(path.join('.'))!, ids)] as const);
      fill(fresh.slice(0, fresh.length >> 1));
      fill(fresh.slice(fresh.length >> 1));
    }
  };
  const schemas = new Map<string, AnySchema>();
  const byObject = new Map<string, (readonly string[])[]>();
  for (const [path, schema] of missing(RigSchema as unknown as AnySchema, d, [])) {
    if (path[0] === 'options' || path[0] === 'assumptions') continue;
    schemas.set(path.join('.'), schema);
    const object = path.slice(0, -1).join('.');
    byObject.set(object, [...(byObject.get(object) ?? []), path]);
  }
  for (const paths of byObject.values()) fill(paths.map((path) => [path, valuesOf(schemas.get(path.join('.'))!, ids)] as const));
  return d;
}
