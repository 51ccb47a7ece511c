import { ASSUMPTIONS, LAYOUTS, parseRig, readRig, usualDayDocument } from '@pozzo/core';
import { FakeRig } from '../../testing/fake-rig';
import { bench, render } from '../../testing/render';
import { BriefStation } from './brief.station';

const open = (id = 'buffer-skid') => {
  const document = LAYOUTS.find((l) => l.id === id)!.make();
  delete document.machines[0].npshRequired;
  const { rig, day } = bench(new FakeRig(document));
  const r = render(BriefStation);
  const box = (label: string): HTMLInputElement => r.root.querySelector(`input[aria-label="${label}"]`)!;
  const change = async (label: string, text: string): Promise<void> => {
    box(label).value = text;
    box(label).dispatchEvent(new Event('change'));
    await r.settle();
  };
  return { rig, day, box, change, ...r };
};
const HEAD = 'Inlet head a plunger pump needs';

describe('the brief', () => {
  test('the job’s fields go into the brief and the verdict follows', async () => {
    const s = open();
    await s.type('Longest job', '3 h');
    expect(s.rig.document().brief.job).toBe('3 h');
    await s.type('Altitude', '8000 ft');
    expect(s.rig.assessment().feeds[0].limits.highestM).toBeGreaterThan(0);
    expect(s.rig.document().brief.altitude).toBe('8000 ft');
  });
  test('a brief changed beside a written day says so, and one press makes them agree', async () => {
    const s = open();
    s.rig.judge((d) => void (d.brief.day = usualDayDocument(parseRig(d))));
    await s.settle();
    expect(s.text()).not.toContain('The longest job of the written day');
    await s.type('Longest job', '100 min');
    expect(s.text()).toContain('The longest job of the written day washes for');
    await s.press('Make the day anew from the brief');
    expect(s.text()).not.toContain('The longest job of the written day');
    expect(s.rig.document().brief).toMatchObject({ job: '100 min' });
  });
  test('kinds of job are added, set and removed; the last one takes the list with it', async () => {
    const s = open();
    const before = s.rig.document().brief.washes?.length ?? 0;
    await s.press('Add a job type');
    const i = before;
    expect(s.rig.document().brief.washes![i]).toEqual({ surface: 'house', area: '2500 ft²', perDay: '2' });
    await s.type('Area of a job', '900 ft²');
    expect(s.rig.document().brief.washes![0].area).toBe('900 ft²');
    for (let n = i + 1; n > 0; n--) await s.press('Remove job 1');
    expect(s.rig.document().brief.washes).toBeUndefined();
    expect(readRig(s.rig.document()).ok).toBe(true);
  });
});

describe('assumptions', () => {
  test('those that the figures rest on are shown first; all of them at a press', async () => {
    const s = open();
    const rows = () => [...s.root.querySelectorAll('table')].at(-1)!.querySelectorAll('tbody tr').length;
    // They are drawn a few at a time, so that the page never stands still.
    const whole = async (): Promise<number> => {
      for (let n = -1; n !== rows();) {
        n = rows();
        await new Promise((done) => setTimeout(done, 20));
        await s.settle();
      }
      return rows();
    };
    const first = rows();
    const few = await whole();
    expect(first).toBeLessThan(few);
    expect(few).toBeGreaterThan(8);
    expect(few).toBeLessThan(ASSUMPTIONS.length);
    await s.press(`All ${ASSUMPTIONS.length} assumptions`);
    expect(await whole()).toBe(ASSUMPTIONS.length);
    await s.press('Only ones this rig uses');
    expect(await whole()).toBe(few);
  });
  test('one that was typed in the other system says what was typed', async () => {
    const s = open();
    await s.change(HEAD, '2 m');
    expect(s.box(HEAD).value).toMatch(/ft$/);
    const hint = document.getElementById(s.box(HEAD).getAttribute('aria-describedby')!)!;
    expect(hint.textContent).toContain('typed 2 m');
  });
  test('each says its kind and its source', () => {
    const s = open();
    const row = s.box(HEAD).closest('tr')!;
    expect(row.textContent).toMatch(/estimate/);
    expect(row.querySelector('small')!.textContent).toContain('data sheets differ');
  });
  test('one is changed for this rig, moves the figures, and is taken back', async () => {
    const s = open();
    const spare = (): number => s.rig.assessment().feeds[0].available.value - s.rig.assessment().feeds[0].required.value;
    const before = spare();
    await s.change(HEAD, '14 ft');
    expect(s.rig.document().assumptions['npsh-required']).toBe('14 ft');
    expect(s.rig.assessment().feeds[0].required.value).toBeCloseTo(14 * 0.3048, 6);
    expect(spare()).toBeLessThan(before - 3.5 * 0.3048);
    expect(s.box(HEAD).closest('.value')!.className).toContain('own');
    await s.press(`Back to the usual value of ${HEAD}`);
    expect(s.rig.document().assumptions['npsh-required']).toBeUndefined();
    expect(s.box(HEAD).value).toBe('10 ft');
  });
  test('a bare number takes the assumption’s own unit', async () => {
    const s = open();
    await s.change(HEAD, '12');
    expect(s.rig.document().assumptions['npsh-required']).toBe('12 ft');
  });
  test.each([
    ['of another kind', '12 gpm', /length/i],
    ['no number', 'plenty', /./],
    ['beyond its bound', '4000 ft', /100.?m|328/],
  ])('a value %s stays in its box with the reason, and the rig keeps its own; escape gives it up', async (_name, text, reason) => {
    const s = open();
    await s.change(HEAD, text);
    expect(s.rig.document().assumptions['npsh-required']).toBeUndefined();
    expect(s.box(HEAD).value).toBe(text);
    expect(s.box(HEAD).getAttribute('aria-invalid')).toBe('true');
    const error = s.root.querySelector(`#${s.box(HEAD).getAttribute('aria-describedby')}`)!;
    expect(error.textContent).toMatch(reason);
    s.box(HEAD).dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }));
    await s.settle();
    expect(s.box(HEAD).value).toBe('10 ft');
    expect(s.root.querySelector('[role=alert]')).toBeNull();
  });
  test('emptied, the usual value comes back', async () => {
    const s = open();
    await s.change(HEAD, '');
    expect(s.box(HEAD).value).toBe('10 ft');
  });
});
