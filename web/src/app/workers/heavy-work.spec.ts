import { pontoonRig } from '@pozzo/core';
import { workWhole } from '../testing/render';

test('variants are listed without what makes them, and each listed one can be made', () => {
  const rig = pontoonRig();
  const list = workWhole({ kind: 'variants', document: rig }) as { id: string }[];
  expect(list.length).toBeGreaterThan(4);
  // What goes from one thread to another is plain.
  expect(JSON.parse(JSON.stringify(list))).toEqual(list);
  for (const { id } of list) expect([id, workWhole({ kind: 'variant', document: rig, id })]).toEqual([id, expect.objectContaining({ format: 'pozzo-rig' })]);
  expect(workWhole({ kind: 'variant', document: rig, id: 'none such' })).toBeUndefined();
});
