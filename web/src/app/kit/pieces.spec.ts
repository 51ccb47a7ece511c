import { Component, ErrorHandler } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { Later } from './later';
import { Near } from './near';
import { Pieces } from './pieces';

const turn = (): Promise<void> => new Promise((done) => setTimeout(done));
const busy = (ms: number): void => {
  for (const until = performance.now() + ms; performance.now() < until;);
};

test('what is drawn later comes in its order; a long piece lets the page go on before the next', async () => {
  const told: string[] = [];
  const pieces = TestBed.inject(Pieces);
  const piece = (name: string, ms = 0) =>
    pieces.add(() => {
      busy(ms);
      told.push(name);
    });
  piece('long', 20);
  piece('short');
  piece('shorter');
  setTimeout(() => told.push('the page'));
  expect(told).toEqual([]);
  for (let i = 0; i < 6 && told.length < 4; i++) await turn();
  expect(told).toEqual(['long', 'the page', 'short', 'shorter']);
});
test('one that fails is told and does not keep the rest from it; one taken off is not drawn', async () => {
  const told: unknown[] = [];
  TestBed.configureTestingModule({ providers: [{ provide: ErrorHandler, useValue: { handleError: (e: unknown) => told.push(e) } }] });
  const pieces = TestBed.inject(Pieces);
  const broken = new Error('no room');
  pieces.add(() => {
    throw broken;
  });
  const leave = pieces.add(() => told.push('gone'));
  pieces.add(() => told.push('rest'));
  leave();
  for (let i = 0; i < 6 && told.length < 2; i++) await turn();
  expect(told).toEqual([broken, 'rest']);
});

@Component({ imports: [Later], template: '<h2>Head</h2><p *pzLater>{{ words }}</p>' })
class Opens {
  words = 'Body';
}
test('a piece of a page follows the page; one that is left before draws nothing', async () => {
  const fixture = TestBed.createComponent(Opens);
  fixture.detectChanges();
  const root = fixture.nativeElement as HTMLElement;
  expect(root.textContent).toBe('Head');
  for (let i = 0; i < 6 && root.textContent === 'Head'; i++) await turn();
  expect(root.textContent).toBe('HeadBody');
  const left = TestBed.createComponent(Opens);
  left.detectChanges();
  left.destroy();
  await turn();
  await turn();
  expect((left.nativeElement as HTMLElement).textContent).not.toContain('Body');
});

@Component({ imports: [Near], template: '<p><input *pzNear="words" aria-label="box" /><ng-template #words><b>4 ft</b></ng-template></p>' })
class Far {}
test('what is off the screen is said in words, and drawn whole once it comes near', async () => {
  const made: { seen: (list: object[]) => void; watched: Set<Element> }[] = [];
  globalThis.IntersectionObserver = class {
    readonly watched = new Set<Element>();
    constructor(readonly seen: (list: object[]) => void) {
      made.push(this);
    }
    observe(e: Element): void {
      this.watched.add(e);
    }
    unobserve(e: Element): void {
      this.watched.delete(e);
    }
  } as never;
  const fixture = TestBed.createComponent(Far);
  fixture.detectChanges();
  const root = fixture.nativeElement as HTMLElement;
  expect(root.querySelector('input')).toBeNull();
  expect(root.textContent).toBe('4 ft');
  const stand = root.querySelector('b')!;
  made[0].seen([{ isIntersecting: false, target: stand }]);
  await turn();
  expect(root.querySelector('input')).toBeNull();
  made[0].seen([{ isIntersecting: true, target: stand }]);
  for (let i = 0; i < 6 && !root.querySelector('input'); i++) await turn();
  expect(root.querySelector('input')).not.toBeNull();
  expect(root.textContent).toBe('');
  // Nobody is watched for good: one watch for all, and what is left is left alone.
  const other = TestBed.createComponent(Far);
  other.detectChanges();
  expect(made).toHaveLength(1);
  expect(made[0].watched.size).toBe(1);
  other.destroy();
  expect(made[0].watched.size).toBe(0);
});
