import { gained } from '../subject/kind';
import { advise, applyFix } from '../advise/advise';
import { simulateDay } from '../day/simulate-day';
import { crewOfFour } from '../layouts/crew-of-four';
import { metricHeader } from '../layouts/metric-header';
import { pontoonRig } from '../layouts/first-rig';
import { smallBuffer } from '../layouts/small-buffer';
import { tiedTanksTruck } from '../layouts/tied-tanks-truck';
import { twoBatchSingleAxle } from '../layouts/two-batch-single-axle';
import { parseRig } from '../rig/read';
import type { RigDocument } from '../rig/schema';
import { say } from '../working/figure';
import { assess } from './assess';
import { worse } from '../subject/verdict';
import type { Finding } from '../subject/finding';

const changed = (d: RigDocument, change: (d: RigDocument) => void): RigDocument => {
  change(d);
  return d;
};
const bores = (d: RigDocument, line: string, bore: string): void => {
  for (const p of d.lines.find((l) => l.id === line)!.parts) p.bore = bore;
};
const found = (d: RigDocument, code: string, of?: string): Finding | undefined =>
  assess(parseRig(d)).findings.find((f) => f.code === code && (of === undefined || f.subject.id === of));

/** What goes wrong on rigs, and what has to be said before it does (common practice). */
const TROUBLES: readonly {
  readonly trouble: string;
  readonly rig: () => RigDocument;
  readonly code: string;
  readonly words: RegExp;
  /** Whether a change was found that gains on it. */
  readonly mended: boolean;
}[] = [
  {
    trouble: 'nothing comes out of the gun: the pump cannot lift so high',
    rig: () => changed(twoBatchSingleAxle(), (d) => void ((d.softPumps![0].limit = '5 psi'), (d.sprayers![0].height = '30 ft'))),
    code: 'gun-dry',
    words: /12 V pump, walls brings nothing to Walls gun: it is \d+(\.\d+)?.ft above what it draws from, and the pump lifts 11\.\d.ft/,
    mended: true,
  },
  {
    trouble: 'a trickle at the gun: the metering valves are all but shut',
    rig: () =>
      changed(crewOfFour(), (d) => {
        for (const l of d.lines) for (const p of l.parts) if (p.kind === 'valve' && p.is === 'metering-valve') p.setting = '0.5 %';
      }),
    code: 'gun-thin',
    words: /12 V pump brings [\d.]+.gpm to Soft wash gun; it needs at least 1.gpm/,
    mended: true,
  },
  {
    trouble: 'a trickle at the brush: a thin hose too high',
    rig: () =>
      changed(metricHeader(), (d) => {
        d.softPumps!.find((p) => p.id === 'glass-pump')!.limit = '25 psi';
        d.sprayers!.find((x) => x.id === 'brush')!.height = '50 ft';
      }),
    code: 'gun-thin',
    words: /Glass pump brings 0\.\d+.gpm to Glass brush; it needs at least 0\.4.gpm/,
    mended: true,
  },
  {
    trouble: 'pressure falls after a while: more goes out than the spigot gives',
    rig: () => changed(pontoonRig(), (d) => (d.spigots[0].readings[0].flow = '2 gpm')),
    code: 'runs-dry',
    words: /runs dry .* into a 60.min job: .* out, .* in/,
    mended: true,
  },
  {
    trouble: 'the same at a poor site only',
    rig: () => changed(pontoonRig(), (d) => (d.brief.triggerShare = '90 %')),
    code: 'runs-dry-poor',
    words: /At a poor spigot .* runs dry in/,
    mended: true,
  },
  {
    trouble: 'a full tank and a starved pump: a thin suction hose',
    rig: () => changed(pontoonRig(), (d) => bores(d, 'feed-a', '1/2 in')),
    code: 'feed-starved',
    words: /starved at .*: the feed passes .*, the pump needs 8.gpm/,
    mended: true,
  },
  {
    trouble: 'a pump high above the water',
    rig: () => changed(pontoonRig(), (d) => (d.machines[0].inletHeight = '16 ft')),
    code: 'feed-starved',
    words: /starved/,
    mended: true,
  },
  {
    trouble: 'a pump only just fed at altitude',
    rig: () => changed(pontoonRig(), (d) => (d.brief.altitude = '8500 ft')),
    code: 'feed-tight',
    words: /only just: .* to spare/,
    mended: true,
  },
  {
    trouble: 'one of two tied tanks is dry while the other is full',
    rig: () =>
      changed(tiedTanksTruck(), (d) => {
        for (const l of d.lines) if (l.role === 'tie') for (const p of l.parts) p.bore = '1/2 in';
      }),
    code: 'tie-small',
    words: /below the tied tank/,
    mended: true,
  },
  {
    trouble: 'a tank caved in: a closed lid and no vent while it is dumped',
    rig: () => changed(pontoonRig(), (d) => (d.tanks[0].ventBore = '0 in')),
    code: 'no-vent',
    words: /vent/i,
    mended: true,
  },
  {
    trouble: 'a gun too weak at the far end of a long thin hose',
    rig: () =>
      changed(pontoonRig(), (d) => {
        for (const p of d.lines.find((l) => l.id === 'hose-a')!.parts) if (p.kind === 'hose' && p.length === '150 ft') Object.assign(p, { length: '400 ft' });
      }),
    code: 'gun-weak',
    words: /gets/,
    mended: true,
  },
  {
    trouble: 'too hot to touch: bypass looped to the inlet',
    rig: () => changed(twoBatchSingleAxle(), (d) => (d.machines[0].unloader.kind = 'regulating')),
    code: 'bypass-hot',
    words: /min/,
    mended: false,
  },
  {
    trouble: 'mix too weak: stale SH',
    rig: () =>
      changed(crewOfFour(), (d) => {
        d.liquids![0].strength!.age = '150 d';
        d.liquids![0].strength!.kept = '95 °F';
      }),
    code: 'stock-stale',
    words: /has aged from/,
    mended: true,
  },
  {
    trouble: 'mix too strong: the SH valve set for another flow',
    rig: () =>
      changed(crewOfFour(), (d) => {
        for (const p of d.lines.find((l) => l.id === 'blend-sh')!.parts) if (p.kind === 'valve') p.setting = '60 %';
      }),
    code: 'mix-strong',
    words: /stronger than the 1% target: waste, and hard on plants/,
    mended: true,
  },
  {
    trouble: 'mix too weak: a longer hose took the injector’s draw',
    rig: () =>
      changed(smallBuffer(), (d) => {
        for (const p of d.lines.find((l) => l.id === 'hose-a')!.parts) if (p.kind === 'hose' && p.length !== '6 ft') p.length = '450 ft';
      }),
    code: 'mix-weak',
    words: /hits the wall at/,
    mended: true,
  },
  {
    trouble: 'rust over the whole deck: the SH tank breathes onto it',
    rig: () => changed(crewOfFour(), (d) => (d.tanks.find((t) => t.id === 'sh-tank')!.ventTo = 'deck')),
    code: 'fumes-deck',
    words: /fumes hurt eyes and lungs, and rust everything/,
    mended: true,
  },
  {
    trouble: 'a gas cloud: acid and SH in one pump',
    rig: () => changed(crewOfFour(), (d) => (d.liquids!.find((l) => l.id === 'soap')!.kind = 'acid')),
    code: 'never-mix',
    words: /can meet in .*chlorine gas/,
    mended: false,
  },
  {
    trouble: 'the first minutes are the wrong chemical: valves kept theirs',
    rig: () => smallBuffer(),
    code: 'flush-partial',
    words: /misses 4 valves/,
    mended: true,
  },
  {
    trouble: 'a reel in the traffic',
    rig: () => changed(pontoonRig(), (d) => (d.reels![1].place = 'street')),
    code: 'reel-street',
    words: /traffic/,
    mended: true,
  },
  {
    trouble: 'the hose does not reach',
    rig: () => changed(pontoonRig(), (d) => (d.site!.distance = '300 ft')),
    code: 'run-short',
    words: /can’t reach the far corner/,
    mended: true,
  },
];

describe('what goes wrong is said before it does', () => {
  test.each(TROUBLES.map((t) => [t.trouble, t] as const))('%s', (_words, t) => {
    const d = t.rig();
    const finding = found(d, t.code);
    if (!finding)
      throw new Error(
        `"${t.code}" is not among ${
          assess(parseRig(d))
            .findings.map((f) => f.code)
            .join(', ') || 'none'
        }`,
      );
    expect(finding.verdict).not.toBe('fed');
    expect(say(finding.message, 'us')).toMatch(t.words);
    expect(say(finding.message, 'metric')).not.toMatch(/NaN|undefined|\{\w+\}/);
    const fixes = advise(d, parseRig(d), assess(parseRig(d))).filter((f) => f.code === t.code);
    if (t.mended) expect(fixes.length).toBeGreaterThan(0);
    for (const fix of fixes) {
      const left = found(applyFix(d, fix), t.code, fix.subjectId);
      if (fix.cures) expect(left === undefined || worse(left.verdict, finding.verdict) !== left.verdict).toBe(true);
      expect(gained(fix.gain, fix.gain.before, fix.gain.after)).toBeGreaterThan(0);
    }
  });
});

test('what the day runs short of is what the verdict speaks of', () => {
  const dry = changed(pontoonRig(), (d) => (d.spigots[0].readings[0].flow = '2 gpm'));
  expect(simulateDay(parseRig(dry)).shortages.map((s) => s.cause)).toContain('water');
  const starved = changed(pontoonRig(), (d) => bores(d, 'feed-a', '1/2 in'));
  expect(simulateDay(parseRig(starved)).shortages.map((s) => s.cause)).toContain('feed');
  expect(simulateDay(parseRig(pontoonRig())).shortages).toEqual([]);
});
