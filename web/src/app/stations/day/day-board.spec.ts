import { TestBed } from '@angular/core/testing';
import { LAYOUTS } from '@pozzo/core';
import { FakeRig } from '../../testing/fake-rig';
import { bench, render } from '../../testing/render';
import { type BoardChange, DayBoard } from './day-board';
import { layoutBoard, placeAt, timeAt } from './board-layout';

const WIDTH = 800;

function open(id = 'small-buffer') {
  const { rig, day } = bench(new FakeRig(LAYOUTS.find((l) => l.id === id)!.make()));
  day.work(5);
  const s = render(DayBoard, { day: day.usual()! });
  const changes: BoardChange[] = [];
  s.fixture.componentInstance.edited.subscribe((c) => changes.push(c));
  const field = s.root.querySelector<HTMLElement>('.field')!;
  Object.defineProperty(field, 'clientWidth', { value: WIDTH });
  let top = 0;
  field.getBoundingClientRect = () => ({ left: 0, top, width: WIDTH, height: 90 }) as DOMRect;
  const block = (key: string): HTMLElement => s.root.querySelector(`[data-block="${key}"]`)!;
  const pointer = (on: HTMLElement, type: string, x: number, y: number): void => {
    const event = new MouseEvent(type, { bubbles: true, cancelable: true, clientX: x, clientY: y, button: 0 });
    Object.assign(event, { pointerId: 1 });
    on.setPointerCapture ??= () => undefined;
    on.dispatchEvent(event);
  };
  const drag = async (on: HTMLElement, dx: number, dy = 0, end = 'pointerup'): Promise<void> => {
    pointer(on, 'pointerdown', 100, 40);
    pointer(on, 'pointermove', 100 + dx / 2, 40 + dy / 2);
    await s.settle();
    pointer(on, 'pointermove', 100 + dx, 40 + dy + 0);
    pointer(on, end, 100 + dx, 40 + dy);
    await s.settle();
  };
  const board = layoutBoard(day.usual()!, rig.document(), 'us');
  return { rig, day, changes, block, pointer, drag, board, scroll: (by: number) => (top += by), ...s };
}

describe('the board by hand', () => {
  test('the right edge makes a phase longer, at the pace it is drawn in', async () => {
    const s = open();
    const b = s.board.blocks.find((x) => x.key === '0:2')!;
    await s.drag(s.block('0:2').querySelector<HTMLElement>('.edge')!, 40);
    const change = s.changes[0] as Extract<BoardChange, { does: 'stretch' }>;
    expect(change).toMatchObject({ does: 'stretch', job: 0, phase: 2 });
    const pace = (timeAt(s.board.axis, b.left + b.width) - timeAt(s.board.axis, b.left)) / b.width;
    expect(change.bySeconds).toBeCloseTo((40 / WIDTH) * pace, 3);
  });
  test('a block dragged left past the others comes first; one hardly moved stays', async () => {
    const s = open();
    await s.drag(s.block('0:2'), -790);
    expect(s.changes).toEqual([{ does: 'move', job: 0, phase: 2, by: -2 }]);
    await s.drag(s.block('0:2'), 3);
    expect(s.changes).toHaveLength(1);
  });
  test('a row down passes it to the next hand', async () => {
    const s = open();
    await s.drag(s.block('0:2'), 0, 31);
    expect(s.changes).toEqual([{ does: 'pass', job: 0, phase: 2, by: 1 }]);
  });
  test('the page moving under the hand moves nothing', async () => {
    const s = open();
    const on = s.block('0:2');
    s.pointer(on, 'pointerdown', 100, 40);
    s.scroll(60);
    s.pointer(on, 'pointerup', 100, 100);
    await s.settle();
    expect(s.changes).toEqual([]);
  });
  test('a drag that is broken off, or begun with another button, does nothing', async () => {
    const s = open();
    await s.drag(s.block('0:2'), -700, 0, 'pointercancel');
    const second = new MouseEvent('pointerdown', { bubbles: true, button: 2, clientX: 100, clientY: 40 });
    s.block('0:2').dispatchEvent(second);
    s.pointer(s.block('0:2'), 'pointerup', -600, 40);
    await s.settle();
    expect(s.changes).toEqual([]);
    expect(s.root.querySelector('.held')).toBeNull();
  });
  test('while it is held it follows, and shows so', async () => {
    const s = open();
    const on = s.block('0:2');
    s.pointer(on, 'pointerdown', 100, 40);
    s.pointer(on, 'pointermove', 130, 45);
    await s.settle();
    expect(on.classList.contains('held')).toBe(true);
    expect(on.style.transform).toBe('translate(30px,5px)');
    s.pointer(on, 'pointerup', 100, 40);
    await s.settle();
    expect(on.classList.contains('held')).toBe(false);
  });
});

describe('the board’s axis', () => {
  test('time and place turn into one another, and rise together', () => {
    const { axis, seconds } = open().board;
    let last = -1;
    for (let i = 0; i <= 40; i++) {
      const t = (seconds * i) / 40;
      const x = placeAt(axis, t);
      expect(x).toBeGreaterThanOrEqual(last);
      expect(Math.abs(timeAt(axis, x) - t)).toBeLessThan(1e-6 * seconds);
      last = x;
    }
    expect([placeAt(axis, -5), placeAt(axis, seconds + 5)]).toEqual([0, 1]);
  });
  test('every phase is wide enough to press, and none lies on another of the same hand', () => {
    for (const id of ['small-buffer', 'crew-of-four', 'carried-water']) {
      TestBed.resetTestingModule();
      const { board } = open(id);
      for (const b of board.blocks) expect(b.width * board.width).toBeGreaterThan(13.9);
      for (let row = 0; row < board.crew; row++) {
        const own = board.blocks.filter((b) => b.row <= row && row < b.row + b.rows).sort((a, b) => a.left - b.left);
        own.slice(1).forEach((b, i) => expect(b.left).toBeGreaterThanOrEqual(own[i].left + own[i].width - 1e-6));
      }
    }
  });
});
