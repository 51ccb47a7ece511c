import { Room, starts } from './arrays';

test('lists cut from one piece are empty, by themselves, and as long as asked, past its end too', () => {
  const room = new Room(100);
  const cut = Array.from({ length: 60 }, (_, k) => [room.flags(k % 7), room.places(k % 5), room.numbers(k % 3)] as const);
  cut.forEach((lists, k) => {
    expect(lists.map((l) => l.length)).toEqual([k % 7, k % 5, k % 3]);
    for (const l of lists) expect([...l].every((x) => x === 0)).toBe(true);
  });
  cut.forEach((lists, k) => lists.forEach((l) => l.fill(k + 1)));
  cut.forEach((lists, k) => lists.forEach((l) => expect([...l].every((x) => x === k + 1)).toBe(true)));
});

test('a copy stays as it is', () => {
  const room = new Room();
  const first = room.numbers(12).fill(2.5);
  const copy = room.copy(first);
  first.fill(0);
  expect([...copy]).toEqual(new Array(12).fill(2.5));
});

test('a list larger than a piece gets one to itself', () => {
  expect(new Room(16).numbers(5000)).toHaveLength(5000);
});

test('where shares of a common list begin', () => {
  expect([...starts(new Int32Array(4), ['a', 'bcd', ''], (x) => x.length)]).toEqual([0, 1, 4, 4]);
});
