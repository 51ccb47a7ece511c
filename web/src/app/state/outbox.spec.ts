import { TestBed } from '@angular/core/testing';
import { Outbox } from './outbox';

type Callbacks = { blocked?: () => void; blocking?: (f: number, t: number, e: { target: { close(): void } }) => void };
let callbacks: Callbacks;
let opened: { done: (db: unknown) => void; fail: (e: Error) => void };
jest.mock('idb', () => ({
  openDB: (_name: string, _version: number, given: Callbacks) => {
    callbacks = given;
    return new Promise((done, fail) => (opened = { done, fail }));
  },
}));
const records: unknown[] = [];
const db = { getAll: () => Promise.resolve(records), get: () => Promise.resolve(undefined), put: () => Promise.resolve(), close: () => undefined };

describe('a store of edits that does not open', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());
  const left = (kept: Outbox): Promise<string> =>
    kept.left().then(
      () => 'opened',
      (e: Error) => e.message,
    );

  test('since an older tab holds it: told at once, nothing waits, and used when that tab has gone', async () => {
    const kept = TestBed.inject(Outbox);
    const first = left(kept);
    callbacks.blocked!();
    expect(await first).toMatch(/older-tab/);
    expect(kept.why()).toBe('older-tab');
    expect(await left(kept)).toMatch(/older-tab/);
    opened.done(db);
    await Promise.resolve();
    expect(await left(kept)).toBe('opened');
    expect(kept.why()).toBeNull();
  });
  test('since the browser does not answer: given up after a time, and used when it does', async () => {
    const kept = TestBed.inject(Outbox);
    const first = left(kept);
    await jest.advanceTimersByTimeAsync(5000);
    expect(await first).toMatch(/silent/);
    opened.done(db);
    await Promise.resolve();
    expect(await left(kept)).toBe('opened');
  });
  test('since a newer page changes it: let go of, and told from then on', async () => {
    const kept = TestBed.inject(Outbox);
    const first = left(kept);
    opened.done(db);
    expect(await first).toBe('opened');
    const close = jest.fn();
    callbacks.blocking!(2, 3, { target: { close } });
    expect(close).toHaveBeenCalledTimes(1);
    expect(await left(kept)).toMatch(/newer-tab/);
    expect(kept.why()).toBe('newer-tab');
  });
});

test('a page that comes back as it was takes its tab’s lock again', async () => {
  const held = new Set<string>();
  const locks = {
    request: (name: string, work: () => Promise<void>) => {
      held.add(name);
      return work().finally(() => held.delete(name));
    },
    query: () => Promise.resolve({ held: [...held].map((name) => ({ name })) }),
  };
  Object.defineProperty(navigator, 'locks', { value: locks, configurable: true });
  const kept = TestBed.inject(Outbox);
  const name = `pozzo-tab-${kept.tab}`;
  const shown = (persisted: boolean): void => void window.dispatchEvent(Object.assign(new Event('pageshow'), { persisted }));
  for (let i = 0; i < 3; i++) {
    expect([...held]).toEqual([name]);
    window.dispatchEvent(new Event('pagehide'));
    await new Promise((next) => setTimeout(next));
    expect([...held]).toEqual([]);
    shown(true);
    await new Promise((next) => setTimeout(next));
  }
  Reflect.deleteProperty(navigator, 'locks');
});
