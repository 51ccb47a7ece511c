import { provideRouter } from '@angular/router';
import { Component, signal } from '@angular/core';
import { type ComponentFixture, TestBed } from '@angular/core/testing';
import { MatDialog } from '@angular/material/dialog';
import { advise, assess, type Figure, figureAt, type Fix, parseRig, pontoonRig, type RigDocument, say } from '@pozzo/core';
import { produce } from 'immer';
import { provideMockStore } from '@ngrx/store/testing';
import { RigStore } from '../state/rig-store';
import { settingsFeature } from '../state/settings.feature';
import { ChoiceField } from './choice-field';
import { HelpColumn } from './help-column';
import { LineEditor } from './line-editor';
import { NameField } from './name-field';
import { QuantityField } from './quantity-field';
import { VerdictMark } from '../kit/verdict';
import { FigureView } from './figure';
import { WorkingPanel } from './working-panel';
import { selectsOf } from '../testing/render';

/** The open rig in memory, without store, worker or server. */
class FakeRig {
  readonly document = signal<RigDocument>(pontoonRig());
  readonly assessment = signal(assess(parseRig(pontoonRig())));
  readonly held = signal<ReturnType<typeof assess> | null>(null);
  readonly fixes = signal<readonly Fix[]>([]);
  readonly fixing = signal(false);
  readonly waiting = signal<string | null>(null);
  readonly state = signal({ id: 'rig' });
  readonly units = signal<'us' | 'metric'>('us');
  readonly labels: string[] = [];
  edit(label: string, recipe: (d: RigDocument) => void): void {
    this.labels.push(label);
    this.document.update((d) =>
      produce(d, (draft) => {
        recipe(draft);
      }),
    );
  }
  apply(fix: Fix): void {
    this.labels.push(say(fix.title, 'us'));
  }
  answers = true;
  explain(at: string): Promise<Figure | undefined> {
    return Promise.resolve(this.answers ? (figureAt(this.assessment(), at) as Figure) : undefined);
  }
  judge(change: (d: RigDocument) => void): void {
    this.edit('set up', change);
    const rig = parseRig(this.document());
    this.assessment.set(assess(rig));
    this.fixes.set(advise(this.document(), rig, this.assessment()));
  }
}

let rig: FakeRig;
function render<T>(
  type: new (...args: never[]) => T,
  inputs: Record<string, unknown>,
): { fixture: ComponentFixture<T>; root: HTMLElement; settle: () => Promise<void> } {
  const fixture = TestBed.createComponent<T>(type as never);
  for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
  fixture.detectChanges();
  document.body.appendChild(fixture.nativeElement as HTMLElement);
  return { fixture, root: fixture.nativeElement as HTMLElement, settle: () => fixture.whenStable() };
}

beforeEach(() => {
  rig = new FakeRig();
  TestBed.configureTestingModule({
    providers: [
      { provide: RigStore, useValue: rig },
      { provide: MatDialog, useValue: {} },
      provideMockStore({ initialState: { [settingsFeature.name]: { units: 'us', theme: 'light', letters: true, read: [] } } }),
      provideRouter([]),
    ],
  });
});

describe('a quantity field', () => {
  const field = async (path: string, extra: Record<string, unknown> = {}) => {
    const { root, settle } = render(QuantityField, { label: 'Flow', path, ...extra });
    await settle();
    const box = root.querySelector('input')!;
    const type = async (text: string): Promise<void> => {
      box.focus();
      box.value = text;
      box.dispatchEvent(new Event('input'));
      await settle();
    };
    const press = async (key: string): Promise<void> => {
      box.dispatchEvent(new KeyboardEvent('keydown', { key, cancelable: true }));
      await settle();
    };
    return { root, box, type, press, settle };
  };

  test('sets what it reads and keeps what was typed', async () => {
    const { box, type } = await field('machines.0.flow');
    expect(box.value).toBe('8 gpm');
    await type('30 L/min');
    expect(rig.document().machines[0].flow).toBe('30 L/min');
    await type('9');
    expect(rig.document().machines[0].flow).toBe('9 L/min');
  });
  test('tells what it cannot read, leaves the rig alone, and gives up on Escape', async () => {
    const { root, box, type, press } = await field('machines.0.flow');
    await type('9000 gpm');
    expect(root.querySelector('[role=alert]')!.textContent).toContain('at most 100 gpm');
    expect(box.getAttribute('aria-invalid')).toBe('true');
    expect(rig.document().machines[0].flow).toBe('8 gpm');
    await press('Escape');
    expect(box.value).toBe('8 gpm');
    expect(root.querySelector('[role=alert]')).toBeNull();
  });
  test('steps with the arrows', async () => {
    const { press } = await field('machines.0.flow');
    await press('ArrowUp');
    expect(rig.document().machines[0].flow).toBe('9 gpm');
    await press('ArrowDown');
    expect(rig.document().machines[0].flow).toBe('8 gpm');
  });
  test('may be emptied where that means something', async () => {
    const { type } = await field('machines.0.npshRequired', { placeholder: '10 ft, estimate' });
    await type('');
    expect('npshRequired' in rig.document().machines[0]).toBe(false);
  });
  test('shows what was typed in the other system converted, and writes nothing until something else is typed', async () => {
    rig.units.set('metric');
    const before = JSON.stringify(rig.document());
    const { root, box, type, press, settle } = await field('machines.0.flow');
    expect(box.value).toBe('30.3\u00a0L/min');
    expect(root.querySelector('.other')!.textContent).toBe('typed 8 gpm');
    box.focus();
    box.dispatchEvent(new Event('blur'));
    await press('Enter');
    await settle();
    expect(JSON.stringify(rig.document())).toBe(before);
    await type('9000 L/min');
    expect(root.querySelector('[role=alert]')!.textContent).toContain('at most 379\u00a0L/min');
    await press('Escape');
    expect(box.value).toBe('30.3\u00a0L/min');
    // A bare number is in the unit that is seen.
    await type('32');
    expect(rig.document().machines[0].flow).toBe('32 L/min');
  });
});

describe('choices and names', () => {
  test('a choice sets a word, a yes or no, or nothing', async () => {
    const pick = async (path: string, value: string): Promise<void> => {
      const { fixture, settle } = render(ChoiceField, {
        label: 'x',
        path,
        options: [
          { value: '', name: 'none' },
          { value: 'true', name: 'yes' },
          { value: 'false', name: 'no' },
          { value: 'stone', name: 'stone' },
        ],
      });
      const [box] = selectsOf(fixture);
      box.options.find((o) => o.value === value)!._selectViaInteraction();
      await settle();
    };
    await pick('outlets.0.surface', 'stone');
    expect(rig.document().outlets[0].surface).toBe('stone');
    await pick('outlets.0.surface', '');
    expect('surface' in rig.document().outlets[0]).toBe(false);
    await pick('outlets.0.open', 'false');
    expect(rig.document().outlets[0].open).toBe(false);
  });
  test('an empty name is told, not taken; an optional one may be empty', async () => {
    const type = async (inputs: Record<string, unknown>, text: string): Promise<HTMLElement> => {
      const { root, settle } = render(NameField, inputs);
      const box = root.querySelector('input')!;
      box.value = text;
      box.dispatchEvent(new Event('input'));
      await settle();
      return root;
    };
    expect((await type({ path: 'name' }, ' ')).querySelector('[role=alert]')!.textContent).toBe('Give it a name.');
    expect(rig.document().name).toBe('Pontoon skid');
    await type({ path: 'customer', optional: true }, '');
    expect(rig.document().customer).toBe('');
  });
});

describe('the line editor', () => {
  const names = (root: HTMLElement): string[] => [...root.querySelectorAll('.name')].map((n) => n.textContent.trim());
  const press = (root: HTMLElement, row: number, key: string, altKey = false): void =>
    void root.querySelectorAll('.name')[row].dispatchEvent(new KeyboardEvent('keydown', { key, altKey, cancelable: true }));

  test('shows parts in order with their share of the loss', () => {
    const { root } = render(LineEditor, { lineId: 'feed-a', shares: rig.assessment().feeds[0].parts });
    expect(names(root)[5]).toBe('2 × Elbow 90° 1 in');
    const shares = [...root.querySelectorAll('.share')].map((s) => parseInt(s.textContent, 10));
    expect(shares.reduce((a, b) => a + b, 0)).toBeGreaterThan(95);
    expect(shares.reduce((a, b) => a + b, 0)).toBeLessThan(105);
  });
  test('moves with Alt and the arrows, not past the ends, and removes with Delete', async () => {
    const { root, settle } = render(LineEditor, { lineId: 'feed-a' });
    press(root, 2, 'ArrowUp', true);
    await settle();
    expect(names(root)[1]).toContain('Strainer');
    press(root, 0, 'ArrowUp', true);
    await settle();
    expect(names(root)[0]).toContain('Bulkhead');
    press(root, 1, 'Delete');
    await settle();
    expect(names(root).some((n) => n.includes('Strainer'))).toBe(false);
  });
  test('shuts and opens the line’s valve', async () => {
    const { root, settle } = render(LineEditor, { lineId: 'feed-a' });
    const box = root.querySelector<HTMLInputElement>('input[type=checkbox]')!;
    box.click();
    await settle();
    expect(rig.document().lines[1].closed).toBe(true);
    box.click();
    await settle();
    expect('closed' in rig.document().lines[1]).toBe(false);
  });
});

describe('what would help', () => {
  test('is calm when nothing is wrong', () => {
    const { root } = render(HelpColumn, { station: 'feed', calm: 'Fed in every case.' });
    expect(root.textContent).toContain('Fed in every case.');
    expect(root.querySelectorAll('.fix')).toHaveLength(0);
  });
  test('lists findings and fixes with gain, price and weight; one press applies', async () => {
    rig.judge((d) => void (d.spigots[0].readings[0].flow = '2 gpm'));
    const { root, settle } = render(HelpColumn, { station: 'tanks' });
    expect(root.querySelector('.finding')!.textContent).toContain('runs dry ');
    const first = root.querySelector('.fix')!;
    expect(first.textContent).toMatch(/\+\d+.*gal water left/);
    expect(first.textContent).toMatch(/\$\d+/);
    const [title] = /An anti-vortex plate[^+]*|A [\d.]+ gal tank[^+]*/.exec(first.textContent)!;
    first.querySelector('button')!.click();
    await settle();
    expect(title).toContain(rig.labels.at(-1));
  });
});

describe('figures', () => {
  @Component({
    imports: [FigureView, WorkingPanel],
    template: `<pz-figure label="To spare" at="feeds.0.margin" /><pz-figure label="Dry" at="tanks.0.dryAfter" never="lasts" /><pz-figure
        label="None"
        at="nothing.here"
      /><pz-working />`,
  })
  class Host {}

  test('show their working at a press, and their change while others are held', async () => {
    rig.held.set(assess(parseRig(produce(pontoonRig(), (d) => void (d.machines[0].flow = '6 gpm')))));
    const { root, settle } = render(Host, {});
    const [spare, dry] = [...root.querySelectorAll('button.figure')] as HTMLButtonElement[];
    expect(dry.textContent).toContain('lasts');
    expect(root.querySelectorAll('pz-figure')[2].textContent).toBe('–');
    expect(root.querySelector('.change')!.textContent).toMatch(/^−/);
    spare.click();
    await settle();
    expect(root.querySelector('pz-working')!.textContent).toContain('margin = the lesser of NPSHa − NPSHr and H_in − H_min');
    expect(root.querySelector('pz-working')!.textContent).toContain('estimate');
    spare.click();
    await settle();
    expect(root.querySelector('pz-working')!.textContent.trim()).toBe('');
  });
  test('keep their number where nobody can tell the working', async () => {
    rig.answers = false;
    const { root, settle } = render(Host, {});
    root.querySelector<HTMLElement>('button.figure')!.click();
    await settle();
    const panel = root.querySelector('pz-working')!;
    expect(panel.querySelector('.value')!.textContent.replace(/\s/g, ' ')).toBe(root.querySelector('button.figure')!.textContent.trim().replace(/\s/g, ' '));
    expect(panel.querySelector('[role=status]')!.textContent).toContain('Can’t show the math');
  });
});

test.each([
  ['fed', 'Fed'],
  ['tight', 'Tight'],
  ['starved', 'Starved'],
  ['stop', 'Unsafe'],
] as const)('the verdict %s comes with its word and a shape of its own', (of, word) => {
  const { root } = render(VerdictMark, { of });
  expect(root.textContent.trim()).toBe(word);
  expect(root.querySelector('svg')!.innerHTML).toContain(of === 'stop' ? 'circle' : 'path');
});
