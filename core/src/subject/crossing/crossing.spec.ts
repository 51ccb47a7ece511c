import { advise, applyFix } from '../../advise/advise';
import { line as drawn, parts } from '../../catalogue/build-line';
import { LAYOUTS } from '../../layouts/layouts';
import { parseRig } from '../../rig/read';
import type { RigDocument } from '../../rig/schema';
import { judged } from '../../testing/judge';

/*
 * A cross-connection is any way by which what is not fit to drink, or to pump, can get into what is (the plumbing codes' own word:
 * IPC 608; from memory). Each kind beside a sound twin.
 */
const CODES = ['cross-tie', 'cross-pumped', 'cross-return', 'cross-siphon', 'stock-thinned', 'dump-chemical', 'fill-no-float', 'transfer-over'];
const layout = (id: string): RigDocument => LAYOUTS.find((l) => l.id === id)!.make();
const told = (d: RigDocument): readonly string[] =>
  judged(d)
    .findings.filter((f) => CODES.includes(f.code))
    .map((f) => `${f.code} ${f.verdict}`);
const fixed = (d: RigDocument, code: string): readonly string[] => {
  const fix = advise(d, parseRig(d), judged(d)).find((f) => f.code === code && f.cures);
  return fix ? told(applyFix(d, fix)) : ['no fix'];
};
const lineOf = (d: RigDocument, id: string): RigDocument['lines'][number] => d.lines.find((l) => l.id === id)!;
const uncheck = (d: RigDocument, id: string): void => {
  const l = lineOf(d, id);
  l.parts = l.parts.filter((p) => p.is !== 'check-valve');
};

test('no layout lets chemicals into its water, or water into its chemicals', () => {
  for (const l of LAYOUTS) expect([l.id, told(l.make())]).toEqual([l.id, []]);
});

describe('an open tie', () => {
  const tie = (to: string): RigDocument => {
    const d = layout('tied-tanks');
    d.lines.push(drawn('wrong', 'tie', 'tank:right@2 in', `tank:${to}@2 in`, parts('bulkhead-1', 'hose-helix-1', 'bulkhead-1')));
    return d;
  };
  test('between water and SH is unsafe, and so is the build; between water and water it is not', () => {
    const d = tie('sh-tank');
    expect(told(d)).toContain('cross-tie stop');
    expect(judged(d).verdict).toBe('stop');
    expect(fixed(d, 'cross-tie')).toEqual([]);
    expect(told(layout('tied-tanks'))).toEqual([]);
  });
  test('shut it is none', () => {
    const d = tie('sh-tank');
    d.lines.at(-1)!.closed = true;
    expect(told(d)).toEqual([]);
  });
});

describe('a transfer pump', () => {
  const moving = (to: string): RigDocument => {
    const d = layout('big-tank');
    d.softPumps = [
      {
        id: 'moves',
        name: 'Transfer pump',
        kind: 'electric',
        height: '10 in',
        openFlow: '5 gpm',
        limit: '60 psi',
        body: 'polypropylene',
        seals: 'fluororubber',
      },
    ];
    if (to === 'tote') d.tanks.push({ ...structuredClone(d.tanks.find((t) => t.id === 'drum')!), id: 'tote', name: 'SH tote' });
    d.lines.push(
      drawn('takes', 'chemical', 'tank:drum@0 in', 'soft-pump:moves', parts('hose-chemical-12')),
      drawn('gives', 'chemical', 'soft-pump:moves', `tank:${to}`, parts('hose-chemical-12')),
    );
    return d;
  };
  test('that puts SH into the water tank is unsafe; into a tank of SH it is its work', () => {
    expect(told(moving('water'))).toEqual(['cross-pumped stop']);
    expect(fixed(moving('water'), 'cross-pumped')).toEqual([]);
    expect(told(moving('tote'))).toEqual([]);
  });
});

describe('a return', () => {
  const to = (id: string): RigDocument => {
    const d = layout('winter-split');
    lineOf(d, 'return-a').to = { at: 'tank', id };
    return d;
  };
  test('into SH or antifreeze that the washer does not draw from is unsafe, and is led back', () => {
    for (const id of ['batch-tank', 'antifreeze']) {
      expect(told(to(id))).toEqual(['cross-return stop']);
      expect(fixed(to(id), 'cross-return')).toEqual([]);
    }
  });
  test('into the antifreeze that it is drawing round in winter is what winter takes', () => {
    const d = to('antifreeze');
    lineOf(d, 'feed-winter').closed = false;
    expect(told(d)).toEqual([]);
  });
});

describe('what runs by its own weight, everything off', () => {
  test('SH over the water, no check valve in the water’s branch: unsafe; with one, or standing lower than the water’s outlet, it is not', () => {
    const d = layout('tied-tanks');
    uncheck(d, 'blend-water');
    // SH stands at 16 in, soap at 16 in; both run back.
    expect(told(d)).toEqual(['cross-siphon stop', 'cross-siphon stop']);
    expect(fixed(d, 'cross-siphon')).toEqual([]);
    const low = layout('tied-tanks');
    uncheck(low, 'blend-water');
    // The water’s outlet above all that the SH and the soap reach.
    lineOf(low, 'blend-water').from.height = '48 in';
    for (const t of low.tanks) if (t.liquid === 'chemical') t.base = '0 in';
    expect(told(low)).toEqual([]);
  });
  test('an injector’s draw line without a check valve lets a drum that stands higher into the water; lower it is only told to have none', () => {
    const d = layout('big-tank');
    uncheck(d, 'draw');
    expect(told(d)).toEqual(['cross-siphon stop']);
    const low = layout('big-tank');
    uncheck(low, 'draw');
    low.tanks.find((t) => t.id === 'water')!.base = '60 in';
    low.tanks.find((t) => t.id === 'drum')!.base = '0 in';
    expect(told(low)).toEqual([]);
    expect(judged(low).findings.some((f) => f.code === 'no-check')).toBe(true);
  });
  test('water over the stock thins it', () => {
    const d = layout('tied-tanks');
    uncheck(d, 'blend-sh');
    expect(told(d)).toEqual(['stock-thinned tight']);
    expect(fixed(d, 'stock-thinned')).toEqual([]);
  });
});

describe('what runs over, or out', () => {
  test('a drain of SH onto the ground is unsafe; shut it is not, and water may', () => {
    const d = layout('tied-tanks');
    d.lines.push(drawn('spill', 'dump', 'tank:sh-tank@0 in', 'open@-6 in', parts('bulkhead-1', 'ball-valve-full-1')));
    expect(told(d)).toEqual(['dump-chemical stop']);
    expect(fixed(d, 'dump-chemical')).toEqual([]);
    expect(lineOf(layout('tied-tanks'), 'dump').from.id).toBe('right');
  });
  test('a fill off a spigot with no float valve is told, and gets one', () => {
    const d = layout('buffer-skid');
    const fill = lineOf(d, 'fill');
    fill.parts = fill.parts.filter((p) => p.is !== 'float-valve');
    expect(told(d)).toEqual(['fill-no-float tight']);
    expect(fixed(d, 'fill-no-float')).toEqual([]);
  });
  test('stock moved into a tank too small for all of it', () => {
    const d = layout('big-tank');
    d.softPumps = [
      {
        id: 'moves',
        name: 'Transfer pump',
        kind: 'electric',
        height: '10 in',
        openFlow: '5 gpm',
        limit: '60 psi',
        body: 'polypropylene',
        seals: 'fluororubber',
      },
    ];
    d.tanks.push({ ...structuredClone(d.tanks.find((t) => t.id === 'drum')!), id: 'day-tank', name: 'Day tank', fullLevel: '6 in', startLevel: '0 in' });
    d.lines.push(
      drawn('takes', 'chemical', 'tank:drum@0 in', 'soft-pump:moves', parts('hose-chemical-12')),
      drawn('gives', 'chemical', 'soft-pump:moves', 'tank:day-tank', parts('hose-chemical-12')),
    );
    expect(told(d)).toEqual(['transfer-over tight']);
  });
});
