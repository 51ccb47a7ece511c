import { pontoonRig } from '@pozzo/core';
import { stepsOf } from './heavy-work';

const drain = (ask: Parameters<typeof stepsOf>[0]): unknown => {
  const steps = stepsOf(ask);
  let step = steps.next();
  while (!step.done) step = steps.next();
  return step.value;
};
test('variants are listed without what makes them, and each listed one can be made', () => {
  const rig = pontoonRig();
  const list = drain({ kind: 'variants', document: rig }) as { id: string }[];
  expect(list.length).toBeGreaterThan(4);
  // What goes from one thread to another is plain.
  expect(JSON.parse(JSON.stringify(list))).toEqual(list);
  for (const { id } of list) expect([id, drain({ kind: 'variant', document: rig, id })]).toEqual([id, expect.objectContaining({ format: 'pozzo-rig' })]);
  expect(drain({ kind: 'variant', document: rig, id: 'none such' })).toBeUndefined();
});
