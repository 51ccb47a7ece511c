import { say } from '../working/figure';
import { gained } from '../subject/kind';
import { assess } from '../assess/assess';
import { pontoonRig } from '../layouts/first-rig';
import { parseRig } from '../rig/read';
import type { ReelDocument, RigDocument } from '../rig/schema';
import { advise, applyFix } from './advise';

const fixesOf = (change: (d: RigDocument) => void) => {
  const doc = pontoonRig();
  change(doc);
  const rig = parseRig(doc);
  return { doc, now: assess(rig), fixes: advise(doc, rig, assess(rig)) };
};

const reel = (changes: Partial<ReelDocument>): ReelDocument => ({
  id: 'reel',
  name: 'Reel',
  line: 'hose-a',
  flange: '20 in',
  core: '10 in',
  width: '18 in',
  place: 'kerb',
  row: '1',
  swivel: 'stainless',
  ...changes,
});
const site: NonNullable<RigDocument['site']> = { distance: '100 ft', height: '10 ft', corners: '2', spare: '0 ft', traffic: 'right' };

const TROUBLES: [string, string, (d: RigDocument) => void][] = [
  ['a weak spigot', 'runs-dry', (d) => void (d.spigots[0].readings[0].flow = '2 gpm')],
  ['a thin feed', 'feed-starved', (d) => d.lines[1].parts.forEach((p) => p.kind === 'hose' && (p.bore = '1/2 in'))],
  ['a loop to the inlet', 'bypass-hot', (d) => void (d.lines = d.lines.filter((l) => l.role !== 'bypass'))],
  ['bubbles', 'return-bubbles', (d) => void (d.lines.find((l) => l.role === 'bypass')!.to.apart = '2 in')],
  ['no vent', 'no-vent', (d) => void (d.tanks[0].ventBore = '0 in')],
  ['too large a nozzle', 'gun-weak', (d) => void (d.outlets[0].nozzle.size = '14')],
  ['too small a nozzle', 'unloader-cycles', (d) => void (d.outlets[0].nozzle.size = '6')],
  ['a small engine', 'engine-small', (d) => void (d.machines[0].enginePower = '9 hp')],
  ['an unloader set too high', 'unloader-high', (d) => void (d.machines[0].unloader.setting = '4200 psi')],
  ['a jet too hard for its surface', 'surface-harsh', (d) => void (d.outlets[0].surface = 'vehicle')],
  [
    'a full-flow nozzle left in a split',
    'nozzle-set',
    (d) => {
      d.manifolds.push({ id: 'split', name: 'Split', height: '20 in' });
      d.outlets.push({ ...d.outlets[0], id: 'gun-b', name: 'Second', nozzle: { ...d.outlets[0].nozzle, size: '4.5' } });
      const hose = d.lines.find((l) => l.role === 'pressure')!;
      d.lines.push(
        { ...hose, id: 'whip', to: { at: 'manifold', id: 'split' }, parts: [] },
        { ...hose, id: 'hose-b', from: { at: 'manifold', id: 'split' }, to: { at: 'outlet', id: 'gun-b' } },
      );
      hose.from = { at: 'manifold', id: 'split' };
    },
  ],
  ['a drum too small', 'reel-small', (d) => void (d.reels = [reel({ flange: '14 in', width: '4 in' })])],
  [
    'a reel in the traffic',
    'reel-street',
    (d) => {
      d.reels = [reel({ place: 'street' })];
      d.site = site;
    },
  ],
  ['the supply over the pressure hose', 'reel-order', (d) => void (d.reels = [reel({ id: 'supply', line: 'fill', row: '2', width: '30 in' }), reel({})])],
  ['two hoses that cross', 'reel-cross', (d) => void (d.reels = [reel({ id: 'supply', line: 'fill', row: '1', width: '30 in' }), reel({})])],
  ['a run too long', 'run-short', (d) => void (d.site = { ...site, distance: '240 ft' })],
  ['a shut valve', 'no-feed', (d) => void (d.lines[1].closed = true)],
  ['an outlet in the air', 'outlet-outside', (d) => void (d.lines[1].from.height = '80 in')],
];

describe('fixes', () => {
  test.each(TROUBLES)('%s is told and can be cured', (_name, code, change) => {
    const { doc, now, fixes } = fixesOf(change);
    expect(now.findings.map((f) => f.code)).toContain(code);
    const cures = fixes.filter((f) => f.code === code && f.cures);
    expect(cures.length).toBeGreaterThan(0);
    const after = assess(parseRig(applyFix(doc, cures[0])));
    expect(after.findings.map((f) => f.code)).not.toContain(code);
    expect(after.verdict).toBe(cures[0].verdictAfter);
  });

  test.each(TROUBLES)('%s: nothing is suggested that does not gain', (_name, _code, change) => {
    for (const f of fixesOf(change).fixes) {
      expect(gained(f.gain, f.gain.before, f.gain.after)).toBeGreaterThan(0);
      expect(Number.isFinite(f.price)).toBe(true);
      expect(Number.isFinite(f.massKg)).toBe(true);
    }
  });

  test('the tank that is offered for a 2 gpm spigot lasts the job', () => {
    const { doc, fixes } = fixesOf((d) => void (d.spigots[0].readings[0].flow = '2 gpm'));
    const tank = fixes.find((f) => /tank lasts the job$/.test(say(f.title, 'us')))!;
    expect(tank.price).toBeGreaterThan(0);
    const after = assess(parseRig(applyFix(doc, tank)));
    expect(after.tanks[0].dryAfter.value).toBe(Infinity);
    expect(after.tanks[0].leftM3).toBeGreaterThan(0);
  });

  test('a rig that is fed gets no advice', () => expect(fixesOf(() => undefined).fixes).toEqual([]));
});
