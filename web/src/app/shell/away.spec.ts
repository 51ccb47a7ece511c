import { ErrorHandler, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { NavigationEnd, NavigationError, Router } from '@angular/router';
import { Subject } from 'rxjs';
import { Away, isMissingPiece, TellMissing } from './away';
import { AwayBar } from './away-bar';

const missing = new TypeError('Failed to fetch dynamically imported module: http://127.0.0.1/chunk-A.js');
let events: Subject<unknown>;
const navigateByUrl = jest.fn(() => Promise.resolve(true));
let up = false;
beforeEach(() => {
  jest.useFakeTimers();
  up = false;
  events = new Subject();
  navigateByUrl.mockClear();
  globalThis.fetch = jest.fn(() => (up ? Promise.resolve({ ok: true }) : Promise.reject(new TypeError('away')))) as never;
  TestBed.configureTestingModule({
    providers: [
      { provide: Router, useValue: { events, url: '/rig/a/feed', navigateByUrl } },
      { provide: ErrorHandler, useClass: TellMissing },
    ],
  });
});
afterEach(() => jest.useRealTimers());
const bar = (): string => {
  const f = TestBed.createComponent(AwayBar);
  f.detectChanges();
  return (f.nativeElement as HTMLElement).textContent.trim();
};

test('what every browser says of a piece it could not fetch, and nothing else', () => {
  expect(
    [missing, new TypeError('error loading dynamically imported module: x'), new TypeError('Importing a module script failed.'), new Error('no'), 'x'].map(
      isMissingPiece,
    ),
  ).toEqual([true, true, true, false, false]);
});
test('a station that could not be fetched is named, looked for again, and opened when the server is back', async () => {
  const away = TestBed.inject(Away);
  expect(bar()).toBe('');
  events.next(new NavigationError(1, '/rig/a/tanks?x=1', missing));
  expect(bar()).toContain('The server is away: Tanks opens as soon as it is back. What you typed is kept.');
  await jest.advanceTimersByTimeAsync(10_000);
  expect(navigateByUrl).not.toHaveBeenCalled();
  up = true;
  await jest.advanceTimersByTimeAsync(3000);
  expect(navigateByUrl.mock.calls).toEqual([['/rig/a/tanks?x=1']]);
  events.next(new NavigationEnd(2, '/rig/a/tanks', '/rig/a/tanks'));
  expect(away.missing()).toBeNull();
  await jest.advanceTimersByTimeAsync(10_000);
  expect(navigateByUrl).toHaveBeenCalledTimes(1);
});
test('a piece that the server has no more (a newer version) loads the page anew, once', async () => {
  const away = TestBed.inject(Away);
  const anew = jest.spyOn(away, 'loadAnew').mockImplementation(() => undefined);
  up = true;
  events.next(new NavigationError(1, '/rig/a/tanks', missing));
  await jest.advanceTimersByTimeAsync(3000);
  events.next(new NavigationError(2, '/rig/a/tanks', missing));
  await jest.advanceTimersByTimeAsync(0);
  expect(anew.mock.calls).toEqual([['/rig/a/tanks']]);
});
test('a server that goes away again before the piece has come is waited for again', async () => {
  const away = TestBed.inject(Away);
  const anew = jest.spyOn(away, 'loadAnew').mockImplementation(() => undefined);
  up = true;
  events.next(new NavigationError(1, '/rig/a/tanks', missing));
  await jest.advanceTimersByTimeAsync(3000);
  up = false;
  events.next(new NavigationError(2, '/rig/a/tanks', missing));
  await jest.advanceTimersByTimeAsync(6000);
  expect(anew).not.toHaveBeenCalled();
  up = true;
  await jest.advanceTimersByTimeAsync(3000);
  expect(navigateByUrl).toHaveBeenCalledTimes(2);
});
test('another way taken meanwhile is no waiting; an error of another kind is none of it', () => {
  const away = TestBed.inject(Away);
  events.next(new NavigationError(1, '/rig/a/tanks', new Error('other')));
  expect(away.missing()).toBeNull();
  events.next(new NavigationError(1, '/rig/a/tanks', missing));
  events.next(new NavigationEnd(2, '/', '/'));
  expect(away.missing()).toBeNull();
});
test('a part of the page that could not be fetched is told too; other errors are told as ever', () => {
  const logged = jest.spyOn(console, 'error').mockImplementation(() => undefined);
  const handler = TestBed.inject(ErrorHandler);
  handler.handleError(new Error('ours'));
  expect(logged).toHaveBeenCalledTimes(1);
  handler.handleError({ rejection: missing });
  expect(logged).toHaveBeenCalledTimes(1);
  expect(TestBed.inject(Away).missing()).toBe('');
  expect(bar()).toContain('Part of this page could not be fetched');
  logged.mockRestore();
});
test('what is not of a build is told without its name', () => {
  TestBed.overrideProvider(Away, { useValue: { missing: signal('/backups') } });
  expect(bar()).toContain('the page you asked for opens as soon as it is back');
});
