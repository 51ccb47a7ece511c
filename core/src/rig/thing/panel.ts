import * as v from 'valibot';
import { id, name } from '../fields.js';
import { ALONE, SERVED, type ThingKind } from './kind.js';

/** A fuse panel: one cable from the battery, many on to the loads. */
export const panel = v.strictObject({ id, name });

export const PANEL = {
  list: 'panels',
  word: 'fuse panel',
  ...ALONE,
  ...SERVED,
} as const satisfies ThingKind;

export type Panel = v.InferOutput<typeof panel>;
export type PanelDocument = v.InferInput<typeof panel>;
