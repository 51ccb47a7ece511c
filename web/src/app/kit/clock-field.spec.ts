import { Component, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { ClockField } from './clock-field';

@Component({
  imports: [ClockField],
  template: `<pz-clock label="Starts at" [value]="value()" (choose)="take($event)" />`,
})
class Host {
  readonly value = signal('8:05');
  readonly told: string[] = [];
  take(text: string): void {
    this.told.push(text);
    this.value.set(text);
  }
}

function open() {
  const fixture = TestBed.createComponent(Host);
  document.body.append(fixture.nativeElement as HTMLElement);
  fixture.detectChanges();
  TestBed.tick();
  const root = fixture.nativeElement as HTMLElement;
  const box = root.querySelector('input')!;
  const settle = () => {
    fixture.detectChanges();
    TestBed.tick();
  };
  const key = (name: string, keyCode: number) => {
    const e = new KeyboardEvent('keydown', { key: name, keyCode, bubbles: true, cancelable: true });
    box.dispatchEvent(e);
    settle();
  };
  const type = (text: string, leave = true) => {
    box.focus();
    box.value = text;
    box.dispatchEvent(new Event('input', { bubbles: true }));
    if (leave) {
      box.dispatchEvent(new Event('change', { bubbles: true }));
      box.blur();
    }
    settle();
  };
  return { host: fixture.componentInstance, root, box, key, type, settle };
}

describe('a time of day', () => {
  afterEach(() => document.querySelectorAll('.cdk-overlay-container').forEach((x) => x.replaceChildren()));

  test('is written as everywhere here, and told as it was typed', () => {
    const { host, box, type } = open();
    expect(box.value).toBe('8:05');
    type('14:30');
    type('14:30');
    expect(host.told).toEqual(['14:30']);
  });
  test.each(['half past', '24:00', '7:60', '7', ''])('"%s" stays with its reason and is not told', (text) => {
    const { host, root, box, type, settle } = open();
    type(text);
    settle();
    expect(box.value).toBe(text);
    expect(host.told).toEqual([]);
    expect(box.getAttribute('aria-invalid')).toBe('true');
    expect(root.querySelector('[role=alert]')!.textContent).toContain('A time of day reads like 7:30 or 14:05.');
  });
  test('Escape puts it back, and is left to others where nothing was typed', () => {
    const { host, root, box, key, type } = open();
    const others = jest.fn();
    root.addEventListener('keydown', others);
    type('6:3', false);
    key('Escape', 27);
    expect(box.value).toBe('8:05');
    expect(host.told).toEqual([]);
    expect(others).not.toHaveBeenCalled();
    key('Escape', 27);
    expect(box.value).toBe('8:05');
    expect(others).toHaveBeenCalledTimes(1);
  });
  test('an arrow opens the quarter hours, and one of them is told', () => {
    const { host, box, key, settle } = open();
    box.focus();
    key('ArrowDown', 40);
    const options = [...document.querySelectorAll<HTMLElement>('mat-option')];
    expect(options).toHaveLength(96);
    expect(options[0].textContent.trim()).toBe('0:00');
    expect(options[95].textContent.trim()).toBe('23:45');
    options.find((o) => o.textContent.trim() === '9:15')!.click();
    settle();
    expect(host.told).toEqual(['9:15']);
    expect(box.value).toBe('9:15');
  });
});
