import { toJsonSchema } from '@valibot/to-json-schema';
import { LAYOUTS, type QuantityRule, RIG_VERSION, RigSchema } from '@pozzo/core';
import { InputError } from './failure.js';

/** The starting layouts, a line of JSON each way: id, title. */
export const layoutList = (): string => JSON.stringify(LAYOUTS.map(({ id, title }) => ({ id, title })));

/** A starting layout as a rig file. @throws {InputError} naming those there are */
export function layoutFile(id: string | undefined): string {
  const found = LAYOUTS.find((l) => l.id === id);
  if (!found)
    throw new InputError(
      `${id === undefined ? 'layout needs an id' : `There is no layout "${id.slice(0, 60)}"`}. There is ${LAYOUTS.map((l) => l.id).join(', ')}.`,
    );
  return JSON.stringify(found.make(), null, 2);
}

type Node = Record<string, unknown>;

/** The JSON Schema of the rig file: what an editor or another program can check before Pozzo reads it. */
export function rigJsonSchema(): Node {
  const schema = toJsonSchema(RigSchema, {
    typeMode: 'input',
    errorMode: 'ignore',
    overrideAction: ({ valibotAction, jsonSchema }) => {
      const { quantity } = ((valibotAction as { metadata?: object }).metadata ?? {}) as { quantity?: QuantityRule };
      if (!quantity) return jsonSchema;
      return {
        ...jsonSchema,
        description: `A ${quantity.dimension} with its unit, from ${quantity.min} to ${quantity.max}.`,
        examples: [quantity.min, quantity.max],
      };
    },
  }) as Node;
  return { ...schema, $id: `pozzo-rig-${RIG_VERSION}`, title: `Rig file of Pozzo, version ${RIG_VERSION}` };
}
