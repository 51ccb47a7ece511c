import { createHash } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { LAYOUTS, parseRig, pontoonRig, RIG_VERSION, type RigDocument, usualDayDocument } from '@pozzo/core';
import DxfParser from 'dxf-parser';
import { run } from './commands';
import { spellAnswer } from './files';

const folder = mkdtempSync(join(tmpdir(), 'pozzo-cli-'));
const file = (name: string, content: string): string => {
  const path = join(folder, name);
  writeFileSync(path, content);
  return path;
};
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const rig = file('rig.json', JSON.stringify(pontoonRig()));

describe('pozzo assess', () => {
  test('prints the assessment as JSON', () => {
    const r = run(['assess', rig]);
    expect(r.exit).toBe(0);
    expect(JSON.parse(r.stdout)).toMatchObject({ verdict: 'fed', findings: [] });
    expect(r.stdout).not.toContain('null,');
  });
  test('and as text in either system', () => {
    expect(run(['assess', rig, '--text']).stdout).toMatch(/Pontoon skid: Tight\n4.5% of days go short of water[\s\S]*gpm/);
    expect(run(['assess', rig, '--text', '--metric']).stdout).toContain('L/min');
  });
  test('with fixes on request', () => {
    const weak = pontoonRig();
    weak.spigots[0].readings[0].flow = '2 gpm';
    const r = JSON.parse(run(['assess', file('weak.json', JSON.stringify(weak)), '--fixes']).stdout);
    expect(r.verdict).toBe('starved');
    expect(r.fixes.length).toBeGreaterThan(0);
    expect(r.fixes.some((f: { title: string }) => /^A \d+\u00a0gal tank lasts the job/.test(f.title))).toBe(true);
    const metric = JSON.parse(run(['assess', file('weak.json', JSON.stringify(weak)), '--fixes', '--metric']).stdout);
    expect(metric.fixes.some((f: { title: string }) => /^A [\d,]+\u00a0L tank lasts the job/.test(f.title))).toBe(true);
  });
});

test('a name that looks like a term is a name; what Pozzo says beside it is spelled', () => {
  const named = pontoonRig();
  named.name = '‹Spigot› rig';
  named.spigots[0].readings[0].flow = '2 gpm';
  const said = spellAnswer(run(['assess', file('named.json', JSON.stringify(named)), '--text']).stdout);
  expect(said).toContain('‹Spigot› rig: Starved');
  expect(said.replace('‹Spigot›', '')).not.toContain('‹');
});

describe('pozzo sum --batch', () => {
  const batch = (content: string) => run(['sum', '--batch', file('sums.json', content)]);
  test('answers come in order; a bad entry’s answer is its error, and the exit tells of it', () => {
    const done = batch(
      JSON.stringify([
        { sum: 'nozzle-flow', inputs: { size: '4', pressure: '3000 psi' } },
        { sum: 'no-such', inputs: {} },
        { sum: 'nozzle-flow', inputs: { size: '4', pressure: '3000 gpm' } },
        { sum: 'hose-volume', inputs: { bore: '1/2 in', length: '300 ft' } },
        7,
      ]),
    );
    expect(done.exit).toBe(1);
    expect(done.stderr).toBe('');
    const answers = JSON.parse(done.stdout) as { sum?: string; error?: string }[];
    expect(answers.map((a) => a.sum ?? 'error')).toEqual(['nozzle-flow', 'error', 'error', 'hose-volume', 'error']);
    expect(answers[1].error).toContain('no-such');
    expect(answers[2].error).toContain('a pressure is needed');
  });
  test('all good ends well, and answers as one sum alone does', () => {
    const done = batch(JSON.stringify([{ sum: 'nozzle-flow', inputs: { size: '4', pressure: '3000 psi' } }]));
    expect(done.exit).toBe(0);
    expect(JSON.parse(done.stdout)).toEqual([JSON.parse(run(['sum', 'nozzle-flow', 'size=4', 'pressure=3000 psi']).stdout)]);
    expect(batch('[]')).toMatchObject({ exit: 0, stdout: '[]' });
  });
  test.each([
    ['no JSON', 'nothing', /is not JSON/],
    ['no array', '{"sum":"nozzle-flow"}', /must hold an array/],
    ['too many', JSON.stringify(Array.from({ length: 10_001 }, () => 1)), /At most 10000/],
  ])('%s is told, and nothing is printed', (_name, content, words) => {
    const done = batch(content);
    expect(done).toMatchObject({ exit: 1, stdout: '' });
    expect(done.stderr).toMatch(words);
  });
});

describe('pozzo sum', () => {
  test('prints inputs, result and working', () => {
    const r = run(['sum', 'nozzle-flow', 'size=4', 'pressure=3000 psi']);
    expect(JSON.parse(r.stdout)).toMatchObject({
      sum: 'nozzle-flow',
      inputs: { size: { si: 4, unit: '1', text: '4' } },
      result: { flow: { unit: 'm3/s', text: '3.46\u00a0gpm' } },
    });
  });
  test('lists what there is, with units', () => {
    const list = JSON.parse(run(['sum', '--list']).stdout);
    expect(list.length).toBeGreaterThanOrEqual(22);
    for (const s of list) for (const x of [...s.inputs, ...s.result]) expect(typeof x.unit).toBe('string');
    expect(list[0]).toMatchObject({
      name: 'nozzle-flow',
      inputs: [
        { name: 'size', unit: '1' },
        { name: 'pressure', unit: 'Pa' },
      ],
      result: [{ name: 'flow', unit: 'm3/s' }],
    });
  });
});

describe('pozzo day', () => {
  test('the usual day and a sample, the same for the same seed', () => {
    const r = run(['day', rig, '--days', '120', '--seed', '7']);
    expect(r.exit).toBe(0);
    const answer = JSON.parse(r.stdout);
    expect(answer.usual).toMatchObject({ settled: true, undoneS: 0 });
    expect(answer.usual.trace).toBeUndefined();
    expect(answer.sample).toMatchObject({ days: 120, seed: 7, tolerance: 0.02 });
    expect(answer.sample.bands[0].p50).toHaveLength(answer.sample.times.length);
    expect(run(['day', rig, '--days', '120', '--seed', '7']).stdout).toBe(r.stdout);
    expect(run(['day', rig, '--days', '120', '--seed', '8']).stdout).not.toBe(r.stdout);
  });
  test('sizes, swings and options on request; text for reading', () => {
    const answer = JSON.parse(run(['day', rig, '--days', '30', '--size', '--sensitivity', '--options']).stdout);
    expect(answer.sizing.tank.points.length).toBeGreaterThan(5);
    expect(answer.sensitivity.length).toBeGreaterThan(4);
    expect(answer.options.rows[0].id).toBe('now');
    expect(run(['day', rig, '--days', '50', '--text']).stdout).toMatch(/Usual day: 95 min.*\n50 days, seed 1: short of water on/);
    expect(JSON.parse(run(['day', rig, '--days', '0']).stdout).sample).toBeUndefined();
  });
  test('over a whole year the chance is told season by season, in JSON and in words', () => {
    const village = pontoonRig();
    village.brief.day = { ...usualDayDocument(parseRig(village)), season: 'year', dryWinter: '100 %' };
    const path = file('year.json', JSON.stringify(village));
    const { seasons } = JSON.parse(run(['day', path, '--days', '160']).stdout).sample as { seasons: { season: string; short: { chance: number } }[] };
    expect(seasons.map((s) => s.season)).toEqual(['spring', 'summer', 'autumn', 'winter']);
    expect(seasons[3].short.chance).toBeGreaterThan(seasons[1].short.chance);
    expect(run(['day', path, '--days', '160', '--text']).stdout).toMatch(/\n {2}winter: short on \d+% of its \d+ days/);
  });
  test.each([
    [['day'], 'day takes one rig file.'],
    [['day', rig, '--days', '-1'], '--days is a whole number from 0 to 100000.'],
    [['day', rig, '--days', 'many'], '--days is a whole number from 0 to 100000.'],
    [['day', rig, '--seed'], '"--seed" takes a value.'],
    [['day', rig, '--fast'], '"--fast" is not an option here.'],
    [['day', rig, '-f'], '"-f" is not an option here.'],
    [['day', rig, '--text=yes'], '"--text" takes no value.'],
    [['day', rig, '--constructor'], '"--constructor" is not an option here.'],
  ])('%p is told', (args, words) => {
    const r = run(args);
    expect(r.exit).toBe(1);
    expect(r.stderr).toContain(words);
  });
});

describe('pozzo solve', () => {
  const net = (demand: number): string =>
    `[JUNCTIONS]\nJ 0 ${demand}\n[RESERVOIRS]\nT 2\n[PIPES]\na T J 5 25.4 0.0015 0 OPEN\n[OPTIONS]\nUNITS LPM\nHEADLOSS D-W\n[END]\n`;
  test('prints a JSON line a file, in order', () => {
    const r = run(['solve', file('a.inp', net(10)), file('b.inp', net(20))]);
    expect(r.exit).toBe(0);
    const [a, b] = r.stdout.split('\n').map((l) => JSON.parse(l));
    expect(a).toMatchObject({ converged: true, links: { a: { flowM3s: expect.closeTo(10e-3 / 60, 9) } }, nodes: { T: { headM: 2 } } });
    expect(b.links.a.flowM3s).toBeCloseTo(20e-3 / 60, 9);
    expect(Number.isInteger(a.iterations)).toBe(true);
  });
  test('reads back what inp writes of a rig', () => {
    const r = run(['inp', rig]);
    expect(r.stdout).toMatch(/^\[TITLE\]\nPontoon skid/);
    expect(JSON.parse(run(['solve', file('rig.inp', r.stdout)]).stdout)).toMatchObject({ converged: true });
  });
});

describe('bad input ends with 1 and one line', () => {
  test.each<[string, string[], RegExp]>([
    ['no command', ['frobnicate'], /Unknown command "frobnicate"/],
    ['a prototype name', ['constructor'], /Unknown command/],
    ['no file', ['assess'], /one rig file/],
    ['a missing file', ['assess', '/nowhere/rig.json'], /There is no file/],
    ['a folder', ['assess', folder], /cannot be read/],
    ['broken JSON', ['assess', file('broken.json', '{')], /is not JSON/],
    [
      'a rig with a zero bore',
      ['assess', file('zero.json', JSON.stringify(pontoonRig()).replace('"bore":"5/8 in"', '"bore":"0 in"'))],
      /lines\.0\.parts\.0\.bore: .*at least 1 mm/,
    ],
    [
      'a network with a valve not known',
      ['solve', file('gpv.inp', '[JUNCTIONS]\nJ 0 1\n[RESERVOIRS]\nT 2\n[VALVES]\nv T J 25 GPV c 0\n')],
      /line 6: Valve type GPV is not supported/,
    ],
    ['no network', ['solve'], /one network file or more/],
    ['an unknown option', ['assess', rig, '--loud'], /"--loud" is not an option/],
    ['an unknown sum', ['sum', 'magic'], /There is no sum "magic"\. There is nozzle-flow/],
    ['a missing input', ['sum', 'nozzle-flow', 'size=4'], /needs pressure/],
    ['an unknown input', ['sum', 'nozzle-flow', 'size=4', 'pressure=1 psi', 'x=1'], /"x" is not an input/],
    ['no equals sign', ['sum', 'nozzle-flow', 'size'], /key=value/],
    ['an input twice', ['sum', 'nozzle-flow', 'size=4', 'size=5'], /given twice/],
  ])('%s', (_name, args, words) => {
    const r = run(args);
    expect(r.exit).toBe(1);
    expect(r.stdout).toBe('');
    expect(r.stderr).toMatch(words);
    expect(r.stderr).not.toContain('\n');
  });
  test('help is help', () => expect(run(['--help'])).toMatchObject({ exit: 0 }));
});

describe('pozzo layouts, layout and schema', () => {
  test('list the starting layouts, and print each as a rig file that reads', () => {
    const list = JSON.parse(run(['layouts']).stdout) as { id: string; title: string }[];
    expect(list.length).toBeGreaterThanOrEqual(15);
    for (const { id } of list) expect(parseRig(JSON.parse(run(['layout', id]).stdout)).name).toBeTruthy();
  });
  test('the schema is the one in the docs, and knows fields, lists and quantities', () => {
    const schema = JSON.parse(run(['schema']).stdout);
    expect(schema).toMatchObject({ title: 'Rig file of Pozzo, version 8', type: 'object', additionalProperties: false });
    expect(schema.required).toEqual(expect.arrayContaining(['tanks', 'lines', 'brief']));
    expect(schema.properties.machines.items.properties.flow).toMatchObject({ type: 'string', maxLength: 60, examples: ['0.1 gpm', '100 gpm'] });
    expect(schema.properties.tanks.maxItems).toBe(16);
    expect(JSON.parse(readFileSync(join(__dirname, '../../docs/rig-schema.json'), 'utf8'))).toEqual(schema);
    // A field more or less is another version: raise it, with a step in `upgrade` and a file of the old one, and write its print down.
    const prints = JSON.parse(readFileSync(join(__dirname, '../../core/testdata/schema-prints.json'), 'utf8')) as Record<string, string>;
    expect([RIG_VERSION, createHash('sha256').update(JSON.stringify(schema)).digest('hex')]).toEqual([RIG_VERSION, prints[RIG_VERSION]]);
  });
  test.each([
    [['layout'], /layout needs an id/],
    [['layout', 'nobody'], /There is no layout "nobody"\. There is .*crew-of-four/],
    [['layouts', 'x'], /takes nothing more/],
    [['schema', '--text'], /is not an option here/],
  ])('%j is told', (args, words) => {
    const r = run(args);
    expect([r.exit, r.stderr]).toEqual([1, expect.stringMatching(words)]);
  });
});

test('weigh, power, day and assess give one verdict of a build', () => {
  const short = pontoonRig();
  short.spigots[0].readings[0].flow = '3 gpm';
  for (const rigFile of [
    rig,
    file('short.json', JSON.stringify(short)),
    file('crew.json', JSON.stringify(LAYOUTS.find((l) => l.id === 'crew-of-four')!.make())),
  ]) {
    const { judged } = JSON.parse(run(['assess', rigFile]).stdout);
    for (const command of [['weigh'], ['power'], ['day', '--days', '0']])
      expect(JSON.parse(run([command[0], rigFile, ...command.slice(1)]).stdout).build).toEqual(judged);
    expect(run(['day', rigFile, '--days', '0', '--text']).stdout.split('\n')[0]).toBe(run(['assess', rigFile, '--text']).stdout.split('\n')[0]);
  }
});

describe('pozzo todo', () => {
  const undone = pontoonRig();
  undone.spigots[0].readings[0].flow = '3 gpm';
  const told = (document: RigDocument) =>
    JSON.parse(run(['todo', file('todo.json', JSON.stringify(document))]).stdout) as {
      done: boolean;
      items: { of: string; grade: string; fix: string | null; aside: string | null }[];
    };
  test('is worst first, with fixes, and what nobody checked', () => {
    const { done, items } = told(undone);
    expect(done).toBe(false);
    const order = ['stop', 'starved', 'tight', 'unchecked', 'note'];
    expect(items.map((x) => order.indexOf(x.grade))).toEqual([...items.map((x) => order.indexOf(x.grade))].sort((a, b) => a - b));
    expect(items.some((x) => x.fix !== null)).toBe(true);
    expect(items.some((x) => x.of.startsWith('days:water'))).toBe(true);
  });
  test('is done when all that is left was set aside', () => {
    const d = {
      ...undone,
      asides: told(undone).items.flatMap((x) => (x.grade === 'note' ? [] : [{ of: x.of, grade: x.grade as 'tight', reason: 'He knows.' }])),
    };
    const { done, items } = told(d);
    expect([done, items.filter((x) => x.grade !== 'note').every((x) => x.aside === 'He knows.')]).toEqual([true, true]);
    expect(run(['todo', file('todo.json', JSON.stringify(d)), '--text']).stdout).toMatch(/: nothing left to do\n[\s\S]*Set aside: He knows\./);
  });
});

describe('pozzo weigh and deck', () => {
  const trailer = file('trailer.json', JSON.stringify(LAYOUTS.find((l) => l.id === 'big-tank')!.make()));
  const truck = file('truck.json', JSON.stringify(LAYOUTS.find((l) => l.id === 'tied-tanks')!.make()));
  test('every filling with its axles, coupling, payload, side and centre; then the day’s worst minutes', () => {
    const r = run(['weigh', trailer]);
    expect(r.exit).toBe(0);
    const w = JSON.parse(r.stdout);
    expect(w).toMatchObject({ platform: { kind: 'trailer' }, judged: true, unplaced: [], findings: [] });
    const ids = w.states.map((s: { id: string }) => s.id);
    expect(ids).toEqual(
      expect.arrayContaining(['full', 'half', 'empty', 'start', 'end', 'only:water', 'without:drum', 'worst:gross', 'worst:tongue-least', 'worst:axle-1']),
    );
    for (const s of w.states) {
      const axles = s.axles.reduce((t: number, a: { loadKg: number }) => t + a.loadKg, 0);
      expect(axles + s.tongueKg).toBeCloseTo(s.massKg, 6);
      expect(s.tongueShare).toBeCloseTo(s.tongueKg / s.massKg, 9);
      expect(s).toMatchObject({
        payloadLeftKg: expect.any(Number),
        leftShare: expect.any(Number),
        rolloverG: expect.any(Number),
        centreM: { x: expect.any(Number), y: expect.any(Number), z: expect.any(Number) },
      });
      expect(s.axles[0]).toMatchObject({ id: 'axle-1', ratingKg: expect.closeTo(2358.68, 1) });
    }
  });
  test('what drives by itself has no tongue; a rig without a platform has no states', () => {
    for (const s of JSON.parse(run(['weigh', truck]).stdout).states) expect(s).toMatchObject({ tongueKg: null, tongueShare: null });
    const bare = { ...pontoonRig() };
    expect(JSON.parse(run(['weigh', file('bare.json', JSON.stringify(bare))]).stdout)).toMatchObject({ platform: null, states: [] });
  });
  test('left is the street where traffic keeps right, the kerb where it keeps left', () => {
    const d = LAYOUTS.find((l) => l.id === 'big-tank')!.make();
    d.placements!.find((p) => p.thing === 'tool-box')!.y = '0 in';
    const share = (traffic: 'left' | 'right'): number =>
      JSON.parse(run(['weigh', file(`${traffic}.json`, JSON.stringify({ ...d, site: { ...d.site, traffic } }))]).stdout).states[0].leftShare;
    expect(share('left') + share('right')).toBeCloseTo(1, 9);
  });
  test('the plan as SVG has the deck to scale', () => {
    const svg = run(['deck', trailer, '--svg']).stdout;
    expect(svg).toMatch(/^<svg [^>]*width="[\d.]+mm"/);
    // 168 in of deck at 1:20.
    const corners = /<polygon points="([\d., ]+)"/
      .exec(svg)![1]
      .split(' ')
      .map((p) => Number(p.split(',')[0]));
    expect(Math.max(...corners) - Math.min(...corners)).toBeCloseTo((168 * 25.4) / 20, 1);
    expect(svg).toContain('>Water<');
  });
  test('names cannot break out of the SVG', () => {
    const d = LAYOUTS.find((l) => l.id === 'big-tank')!.make();
    d.tanks[0].name = '<script>"&';
    const svg = run(['deck', file('odd.json', JSON.stringify(d)), '--svg']).stdout;
    expect(svg).not.toContain('<script>');
    expect(svg).toContain('&lt;script&gt;');
  });
  test('names that hold more than a line can neither forge a line of the DXF, steer a terminal, nor break the SVG', () => {
    const d = LAYOUTS.find((l) => l.id === 'big-tank')!.make();
    d.name = 'Evil\n[END]\u001b[2J';
    d.tanks[0].name = 'Tank\r\n0\r\nLINE\r\n8\r\nforged\u0000\u001b[31m\u2028\ud800\uffff';
    const odd = file('control.json', JSON.stringify(d));
    const read = new DxfParser().parseSync(run(['deck', odd, '--dxf']).stdout)!;
    expect(read.entities.some((e) => e.layer === 'forged')).toBe(false);
    const texts = read.entities.map((e) => (e as unknown as { text?: string }).text ?? '').filter((t) => t.startsWith('Tank'));
    expect(texts[0]).toBe('Tank 0 LINE 8 forged [31m');
    const svg = run(['deck', odd, '--svg']).stdout;
    // Just what XML 1.0 allows (its production 2).
    expect(svg).toMatch(/^[\t\n\r\u0020-\ud7ff\ue000-\ufffd]*$/);
    for (const args of [
      ['assess', odd, '--text'],
      ['assess', odd],
      ['day', odd, '--text'],
      ['inp', odd],
    ])
      expect(run(args).stdout).not.toMatch(/[^\P{Cc}\t\n]/u);
    expect(run(['inp', odd]).stdout.split('\n')[1]).toBe('Evil  END   2J');
    for (const args of [['assess', '\u001b[31m.json'], ['\u001b[31m'], ['sum', 'nozzle-flow', '--size', '\u001b[31m']]) {
      const { stderr, exit } = run(args);
      expect([exit, stderr]).toEqual([1, expect.not.stringContaining('\u001b')]);
    }
  });
  test('the plan as DXF opens in another’s reader, at 1:1 in metres, a layer for each kind', () => {
    const dxf = run(['deck', trailer, '--dxf']).stdout;
    const read = new DxfParser().parseSync(dxf)!;
    const layers = new Set(read.entities.map((e) => e.layer));
    for (const layer of ['platform', 'things', 'labels', 'dimensions']) expect(layers).toContain(layer);
    const deck = read.entities.find((e) => e.layer === 'platform') as unknown as { vertices: { x: number; y: number }[] };
    const xs = deck.vertices.map((v) => v.x);
    expect(Math.max(...xs) - Math.min(...xs)).toBeCloseTo(168 * 0.0254, 6);
    expect(read.entities.some((e) => (e as unknown as { text?: string }).text === 'Water')).toBe(true);
  });
  test.each([
    [['deck', trailer], 'deck writes --svg or --dxf'],
    [['deck', trailer, '--svg', '--dxf'], 'deck writes --svg or --dxf'],
    [['deck'], 'deck takes one rig file'],
    [['weigh'], 'weigh takes one rig file'],
    [['deck', rig, '--svg'], 'has no platform'],
  ])('%j is told', (args, words) => expect(run(args)).toMatchObject({ exit: 1, stderr: expect.stringContaining(words) }));
});

describe('pozzo power', () => {
  const of = (id: string, change: (d: RigDocument) => void = () => undefined): string => {
    const d = LAYOUTS.find((l) => l.id === id)!.make();
    change(d);
    return file(`${id}-power.json`, JSON.stringify(d));
  };
  const power = (id: string) => JSON.parse(run(['power', of(id)]).stdout);
  test('tells circuits with cable and fuse, the battery through the day, fuel and air', () => {
    const w = power('tied-tanks');
    const pump = w.circuits.find((c: { loadId: string }) => c.loadId === 'soft-pump');
    expect(pump).toMatchObject({ loadId: 'soft-pump', cableAwg: 6, fuseA: 40 });
    expect(pump.dropShare).toBeLessThanOrEqual(0.03);
    expect(pump.cableMm2).toBeCloseTo(13.3, 1);
    // Common practice: a deep-cycle battery runs one 12 V pump through a day's roofs with most of it left.
    expect(w.battery[0].lowest).toBeGreaterThan(0.5);
    expect(w.battery[0].startAh).toBe(100);
    expect(w.fuel[0]).toMatchObject({ tankId: 'fuel-tank', engines: [{ id: 'washer-a', gravityHeadM: expect.any(Number) }, { id: 'washer-b' }] });
    expect(w.fuel[0].days).toBeCloseTo(w.fuel[0].usableL / w.fuel[0].perDayL, 9);
    expect(power('small-buffer').air[0].givesM3s).toBeGreaterThan(power('small-buffer').air[0].needM3s);
  });
  test('nothing stands where nothing is; an engine whose fuel nobody told has null', () => {
    expect(power('carried-water')).toMatchObject({ circuits: [], battery: [], air: [] });
    const untold = JSON.parse(run(['power', of('carried-water', (d) => void delete d.machines[0].engine)]).stdout);
    expect(untold.fuel).toEqual([{ tankId: null, usableL: null, perDayL: expect.any(Number), days: null, engines: [{ id: 'washer-a', gravityHeadM: null }] }]);
    expect(power('carried-water').fuel[0].perDayL).toBeCloseTo(untold.fuel[0].perDayL, 6);
  });
  test('the one-line diagram is SVG, the wire list CSV with ends, gauge, colour and length', () => {
    const svg = run(['power', of('tied-tanks'), '--svg']).stdout;
    expect(svg).toContain('<svg');
    expect(svg).toContain('Fuse panel');
    expect(svg).toContain('AWG 6');
    const lines = run(['power', of('tied-tanks'), '--wires'])
      .stdout.trim()
      .split('\r\n');
    expect(lines[0]).toBe('From,To,AWG,mm2,Color,One way,Fuse,Switch,Cable');
    expect(lines.find((l) => l.includes('12 V pump'))).toMatch(/^Fuse panel,12 V pump,6,13\.3,blue,[\d.]+ ft,40 A,In the box at the rear,as typed$/);
    const shady = run(['power', of('tied-tanks', (d) => void (d.wires![1].colour = '=1+1, "red"')), '--wires']).stdout;
    expect(shady).toContain('"\'=1+1, ""red"""');
  });
  test('takes one file, and writes one thing at a time', () => {
    expect(run(['power'])).toMatchObject({ exit: 1 });
    expect(run(['power', of('tied-tanks'), '--svg', '--wires']).stderr).toContain('one at a time');
  });
});
