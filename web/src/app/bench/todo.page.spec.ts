import { LAYOUTS, pontoonRig } from '@pozzo/core';
import { FakeRig } from '../testing/fake-rig';
import { bench, render } from '../testing/render';
import { TodoPage } from './todo.page';

const open = (change: (d: ReturnType<typeof pontoonRig>) => void) => {
  const made = bench(new FakeRig(pontoonRig()));
  made.rig.judge(change);
  return { ...made, ...render(TodoPage) };
};

describe('to do', () => {
  test('lists what was found worst first, each with its best fix and the way to its station', async () => {
    const s = open((d) => void (d.spigots[0].readings[0].flow = '3 gpm'));
    expect(s.text()).toMatch(/left before this build is done|Its days are being judged/);
    const grades = [...s.root.querySelectorAll('ol > li')].map((li) => ['stop', 'starved', 'tight', 'unchecked', 'note'].indexOf(li.className));
    expect(grades.length).toBeGreaterThan(1);
    expect(grades).toEqual([...grades].sort((a, b) => a - b));
    const links = [...s.root.querySelectorAll('a')].map((a) => a.getAttribute('href'));
    expect(links).toContain('/rig/rig/tanks');
    const before = s.rig.assessment().findings.length;
    s.root.querySelector<HTMLButtonElement>('button[aria-label^="Try it"]')!.click();
    await s.settle();
    expect(s.rig.assessment().findings.length).toBeLessThan(before);
  });
  test('what is set aside keeps its reason and is taken back; an empty reason sets nothing aside', async () => {
    const s = open((d) => void delete d.site);
    const open_ = (): number => s.root.querySelectorAll('section > ol')[0].children.length;
    const first = open_();
    await s.press('Set aside');
    const submit = (): HTMLButtonElement => s.root.querySelector<HTMLButtonElement>('button[type=submit]')!;
    expect(submit().disabled).toBe(true);
    const box = s.root.querySelector<HTMLInputElement>('form input')!;
    box.value = 'He brings his own hose.';
    box.dispatchEvent(new Event('input'));
    await s.settle();
    submit().click();
    await s.settle();
    expect(open_()).toBe(first - 1);
    expect(s.text()).toContain('He brings his own hose.');
    expect(s.rig.document().asides).toHaveLength(1);
    s.root.querySelector<HTMLButtonElement>('button[aria-label^="Take back"]')!.click();
    await s.settle();
    expect([open_(), s.rig.document().asides]).toEqual([first, undefined]);
  });
  test('what is unsafe has no press to set it aside', () => {
    const d = LAYOUTS.find((l) => l.id === 'two-batch')!.make();
    d.liquids!.push({ id: 'rust', name: 'Rust remover', kind: 'acid', price: '$18' });
    d.tanks.push({ ...d.tanks[0], id: 'acid-tank', name: 'Acid', holds: 'rust' });
    d.lines.push({
      ...d.lines.find((l) => l.role === 'chemical' && l.from.at === 'tank')!,
      id: 'acid-draw',
      from: { at: 'tank', id: 'acid-tank', height: '1 in' },
    });
    bench(new FakeRig(d));
    const s = render(TodoPage);
    const stop = s.root.querySelector('li.stop')!;
    expect(stop.textContent).not.toContain('Set aside');
  });
});
