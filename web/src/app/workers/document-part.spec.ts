import { addTank, LAYOUTS, removeGun, type RigDocument } from '@pozzo/core';
import { produce } from 'immer';
import { type DocumentPart, partOfDocument, wholeDocument } from './document-part';

const crew = (): RigDocument => LAYOUTS.find((l) => l.id === 'crew-of-four')!.make();
const across = <T>(x: T): T => JSON.parse(JSON.stringify(x)) as T;

test('what the worker puts together is the document, edit after edit, and what was not touched stays the same object', () => {
  let now = crew();
  let sent: RigDocument | undefined;
  let there: RigDocument | undefined;
  const step = (): number => {
    const part = across(partOfDocument(now, sent));
    sent = now;
    there = wholeDocument(part, there) as RigDocument;
    expect(there).toEqual(now);
    return JSON.stringify(part).length;
  };
  const whole = step();
  const edits: ((d: RigDocument) => void)[] = [
    (d) => void (d.machines[0].name = 'Left'),
    (d) => void (d.brief.job = '95 min'),
    (d) => void d.tanks.reverse(),
    (d) => void addTank(d),
    (d) => void removeGun(d, d.outlets[0].id),
    (d) => void delete d.mixes,
    (d) => void (d.customer = 'Depot'),
    (d) => void (d.outlets = []),
  ];
  const bytes = edits.map((edit) => {
    now = produce(now, edit);
    const before = there!;
    const size = step();
    for (const line of now.lines) {
      const place = before.lines.findIndex((l) => JSON.stringify(l) === JSON.stringify(line));
      if (place >= 0 && edit !== edits[4]) expect(there!.lines).toContain(before.lines[place]);
    }
    return size;
  });
  expect(bytes[0] / whole).toBeLessThan(0.1);
  expect(bytes[6] / whole).toBeLessThan(0.05);
});

test('a document of another build takes nothing of the one before', () => {
  const [a, b] = [LAYOUTS[0].make(), crew()];
  expect(wholeDocument(across(partOfDocument(b, a)), a)).toEqual(b);
});

test('a part without a whole before it fails loudly', () => {
  const a = crew();
  const part: DocumentPart = partOfDocument(
    produce(a, (d) => void (d.customer = 'Depot')),
    a,
  );
  expect(() => wholeDocument(part, undefined)).toThrow(/before the whole/);
});
