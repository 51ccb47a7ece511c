import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { assumptionValues } from '../assumption/register.js';
import { rigInp } from '../exchange/rig-inp.js';
import { LAYOUTS } from '../layouts/layouts.js';
import { parseRig } from '../rig/read.js';
import type { Line } from '../rig/schema.js';
import { Cases } from '../solve/cases.js';
import { linkIds } from '../solve/rig-network.js';
import { epanet, loadEpanet } from '../testing/epanet.js';
import type { Check } from './check.js';
import { outsideChecks } from './checks.js';

const LPM = 1e-3 / 60;

/** Least Reynolds number on the way through a line. */
const reynolds = (line: Line, flow: number): number => Math.min(...line.parts.map((p) => (4 * Math.abs(flow)) / (Math.PI * p.bore * 1.0e-6)));

/** Flow of every line of water of every layout by the EPANET engine, from the file that we write of it. */
function engineChecks(): Check[] {
  return LAYOUTS.flatMap((l) => {
    const rig = parseRig(l.make());
    const theirs = epanet(rigInp(rig), LPM).flow;
    const cases = new Cases(rig, assumptionValues(rig.assumptions));
    return [...cases.net.lineLink.keys()].flatMap((id): Check[] => {
      const flow = theirs[linkIds.line(id).replaceAll(':', '_')];
      // A line at rest has nothing to compare.
      if (flow === undefined || Math.abs(flow) < LPM / 10) return [];
      return [
        {
          source: 'EPANET engine, from the file that is written of the rig',
          fromMemory: false,
          what: `${l.id}, ${id}`,
          wanted: flow / LPM,
          got: cases.asDrawn.flowOf(id) / LPM,
          unit: 'L/min',
          // The engine's friction is an explicit approximation, up to 3 % off Colebrook–White near Re 4000.
          within:
            reynolds(
              rig.lines.find((x) => x.id === id)!,
              flow,
            ) < 8000
              ? 0.03
              : 0.01,
        },
      ];
    });
  });
}

const checks: Check[] = [];
beforeAll(async () => {
  // The engine warns of pressures below the air, which a suction line has.
  jest.spyOn(console, 'warn').mockImplementation(() => undefined);
  await loadEpanet();
  checks.push(...outsideChecks(), ...engineChecks());
});

const digits = (x: number): string => Number(x.toPrecision(6)).toString().replace('-', '−');
/** Sources that Pozzo's own tables are of. */
const REPEATED = ['NIST SP 811', 'NEC table 310.16', 'Data sheets of propylene glycol', 'Molar masses', 'ASME B1.1'];

/** The list as a page: what is held against what, and how near. */
function page(list: readonly Check[]): string {
  const sources = [...new Set(list.map((c) => c.source))];
  const memory = list.filter((c) => c.fromMemory).length;
  return [
    '# Checks against the outside',
    '',
    `Written by \`npm run checks\` from the checks that \`npm test\` runs: ${list.length} figures from ${sources.length} sources; ${memory} of the outside figures are quoted from memory, nobody looked them up. "Within" is the difference that is let pass. A source marked *table* is one that Pozzo reads its own figures from: such rows show that they were copied right, the others test a result.`,
    '',
    ...sources.flatMap((s) => {
      const own = list.filter((c) => c.source === s);
      return [
        `## ${s}${own[0].fromMemory && !s.startsWith('Common practice') ? ' (from memory)' : ''}${REPEATED.some((r) => s.startsWith(r)) ? ' (table)' : ''}`,
        '',
        `| what | from outside${own[0].unit ? `, ${own[0].unit}` : ''} | ours | within |`,
        '|---|---|---|---|',
        ...own.map((c) => `| ${c.what} | ${digits(c.wanted)} | ${digits(c.got)} | ${digits(100 * c.within)} % |`),
        '',
      ];
    }),
  ].join('\n');
}

describe('held against the outside', () => {
  test('every figure is within what is let pass', () => {
    const off = checks.filter((c) => !(Math.abs(c.got - c.wanted) <= c.within * Math.abs(c.wanted)));
    expect(off.map((c) => `${c.source}: ${c.what}: ${c.got} for ${c.wanted}`)).toEqual([]);
  });
  test('there are at least 200, none twice', () => {
    expect(checks.length).toBeGreaterThanOrEqual(200);
    expect(new Set(checks.map((c) => `${c.source} ${c.what}`)).size).toBe(checks.length);
  });
  test('docs/checks.md lists them, each with its source', () => {
    const file = join(__dirname, '../../../docs/checks.md');
    if (process.env['WRITE_CHECKS']) writeFileSync(file, page(checks));
    // Which checks there are, not their last digits: another processor may round them otherwise.
    const names = (text: string): string[] => text.split('\n').flatMap((l) => (l.startsWith('## ') || l.startsWith('| ') ? [l.split(' | ')[0]] : []));
    expect(names(readFileSync(file, 'utf8'))).toEqual(names(page(checks)));
  });
});
