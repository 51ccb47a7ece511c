import { advise, applyFix } from '../../advise/advise';
import { moveThing, placeOf } from '../../edit/place';
import { LAYOUTS } from '../../layouts/layouts';
import { parseRig } from '../../rig/read';
import type { RigDocument } from '../../rig/schema';
import { judged } from '../../testing/judge';
import { near } from '../../testing/near';
import { say } from '../../working/figure';

const layout = (id: string): RigDocument => LAYOUTS.find((l) => l.id === id)!.make();
const told = (d: RigDocument, code: string): string[] =>
  judged(d)
    .findings.filter((f) => f.code === code)
    .map((f) => say(f.message, 'us').replace(/[\u00a0\u202f]/g, ' '));
const INCH = 0.0254;

describe('handles and bowls', () => {
  test('a valve sits at its tank’s bulkhead, as high above the ground as deck, tank and bulkhead make it', () => {
    const d = layout('big-tank');
    const rig = parseRig(d);
    const [main] = judged(d).plan!.hands;
    // The deck, 3 in of feet and a bulkhead 2 in up the tank.
    near(main.aboveGroundM, rig.platform!.height + 5 * INCH, 1e-9);
    expect(main).toMatchObject({ lineId: 'main', what: 'valve', thing: 'water', behind: undefined });
  });
  test('what stands in the hand’s way is told by name, and moved away it is not', () => {
    const d = layout('two-totes');
    expect(told(d, 'hand-blocked')).toEqual([]);
    // The soap tank pushed before the valve of the tote that the mix draws its water from.
    moveThing(d, 'soap-tank', 0, -10 * INCH);
    expect(told(d, 'hand-blocked')).toEqual(['Can’t reach Metering valve 3/4 in on Tote B: it’s behind Soap tank.']);
    expect(judged(d).plan!.things.find((t) => t.id === 'soap-tank')!.verdict).toBe('tight');
  });
  test('on every layout each can be got at, and is listed once', () => {
    for (const l of LAYOUTS) {
      const { hands } = judged(l.make()).plan!;
      expect(hands.filter((h) => h.behind !== undefined)).toEqual([]);
      expect(new Set(hands.map((h) => `${h.lineId ?? h.thing} ${h.what}`)).size).toBe(hands.length);
    }
  });
});

describe('lids', () => {
  test('of what stands under a shelf or a roof want room to be lifted', () => {
    const d = layout('mix-tank-truck');
    expect(told(d, 'lid-blocked')).toEqual([]);
    const tote = d.tanks.findIndex((t) => t.id === 'tote');
    // A body 7 ft high inside: 84 in less 41 in of tote on its feet leaves 43 in, less what it is raised by.
    d.tanks[tote].base = '46 in';
    expect(told(d, 'lid-blocked')).toEqual(['Tote has 3 in over its lid; it takes 8 in to open it and look in.']);
    d.assumptions['lid-room'] = '2 in';
    expect(told(d, 'lid-blocked')).toEqual([]);
  });
});

describe('fumes and engines', () => {
  const beside = (): RigDocument => {
    const d = layout('tied-tanks');
    d.tanks.find((t) => t.id === 'sh-tank')!.ventTo = 'deck';
    return d;
  };
  test('SH that breathes onto the deck beside an engine is told with the engine, and cured by a vent led outside', () => {
    const d = beside();
    expect(told(layout('tied-tanks'), 'fumes-intake')).toEqual([]);
    expect(told(d, 'fumes-intake')[0]).toMatch(/^SH tank breathes onto the deck 4 in from Washer A/);
    const fix = advise(d, parseRig(d), judged(d)).find((f) => f.code === 'fumes-intake' && f.id.endsWith('vent-outside'))!;
    expect(told(applyFix(d, fix), 'fumes-intake')).toEqual([]);
  });
  test('soap may breathe where it likes, and so may SH far from every engine', () => {
    const d = beside();
    d.assumptions['vent-intake'] = '1 in';
    expect(told(d, 'fumes-intake')).toEqual([]);
    const soap = layout('tied-tanks');
    soap.tanks.find((t) => t.id === 'soap-tank')!.ventTo = 'deck';
    expect(told(soap, 'fumes-intake')).toEqual([]);
    expect(placeOf(soap, 'soap-tank')).toBeDefined();
  });
});
