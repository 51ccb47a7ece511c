import {
  addJob,
  addPhase,
  buildOption,
  dropOption,
  keepOption,
  LAYOUTS,
  moveJob,
  movePhase,
  ownDay,
  parseRig,
  passPhase,
  pontoonRig,
  readRig,
  removeJob,
  removePhase,
  type RigDocument,
  simulateDay,
  stretchPhase,
  variantsOf,
} from '@pozzo/core';
import { clockWords } from '../../kit/clock';
import { layoutBoard, placeAt, timeAt } from './board-layout';

const layout = (id: string): RigDocument => LAYOUTS.find((l) => l.id === id)!.make();

describe('editing the day', () => {
  test('the first edit writes the usual day down; it works as it did', () => {
    const d = pontoonRig();
    const before = simulateDay(parseRig(d));
    ownDay(d);
    expect(d.brief.day!.jobs.map((j) => j.name)).toEqual(['Longest job']);
    expect(simulateDay(parseRig(d))).toEqual(before);
  });
  test('jobs are added with names and ids of their own, moved, and taken off but for the last', () => {
    const d = pontoonRig();
    expect(addJob(d, 'roof')).toBe(1);
    expect(addJob(d, 'roof')).toBe(2);
    expect(d.brief.day!.jobs.map((j) => j.name)).toEqual(['Longest job', 'Roof', 'Roof 2']);
    expect(moveJob(d, 2, -5)).toBe(0);
    expect(d.brief.day!.jobs[0].name).toBe('Roof 2');
    for (let i = 0; i < 4; i++) removeJob(d, 0);
    expect(d.brief.day!.jobs).toHaveLength(1);
    expect(readRig(d).ok).toBe(true);
  });
  test('phases are added, moved, passed, stretched to the minute and removed', () => {
    const d = pontoonRig();
    addJob(d, 'house');
    const phases = () => d.brief.day!.jobs[1].phases;
    const n = phases().length;
    expect(addPhase(d, 1, 3)).toBe(4);
    expect(phases()).toHaveLength(n + 1);
    expect(phases()[4]).toMatchObject({ kind: 'wash', crew: '1' });
    passPhase(d, 1, 4, 1);
    expect(phases()[4].crew).toBe('2');
    passPhase(d, 1, 4, -9);
    expect(phases()[4].crew).toBe('all');
    stretchPhase(d, 1, 4, 290);
    expect(phases()[4].time).toBe('25 min');
    stretchPhase(d, 1, 4, -1e6);
    expect(phases()[4].time).toBe('1 min');
    expect(movePhase(d, 1, 4, -1)).toBe(3);
    expect(removePhase(d, 1, 3)).toBe(3);
    expect(phases()).toHaveLength(n);
    expect(new Set(phases().map((p) => p.id)).size).toBe(n);
    expect(readRig(d).ok).toBe(true);
  });
});

describe('the board', () => {
  const d = layout('crew-of-four');
  const day = simulateDay(parseRig(d));
  const board = layoutBoard(day, d, 'us');
  test('has a row for each of the crew and each machine that runs', () => {
    expect(board.rows.slice(0, board.crew).map((r) => r.label)).toEqual(['Hand 1', 'Hand 2', 'Hand 3', 'Hand 4']);
    expect(board.rows.slice(board.crew).map((r) => r.label)).toEqual(['Washer A', 'Washer B', '12 V pump', 'Engine pump A', 'Engine pump B']);
  });
  test('every block lies on the board, in its time, and says what it is', () => {
    for (const b of board.blocks) {
      expect(b.left).toBeGreaterThanOrEqual(0);
      expect(b.left + b.width).toBeLessThanOrEqual(1 + 1e-9);
      expect(b.spoken).toMatch(/\d+:\d\d to \d+:\d\d/);
    }
    const all = board.blocks.find((b) => b.label === 'Drive')!;
    expect(all).toMatchObject({ row: 0, rows: 4 });
    const washes = board.blocks.filter((b) => b.label === 'Wash' && b.job === 0);
    expect(washes.map((b) => b.row)).toEqual([0, 1, 2, 3]);
    for (const bar of board.bars) expect(bar.row).toBeGreaterThanOrEqual(board.crew);
  });
  test('short phases have room to be pressed; places and times turn into one another', () => {
    for (const b of board.blocks) expect(b.width * board.width).toBeGreaterThanOrEqual(24);
    for (let t = 0; t <= board.seconds; t += 613) expect(timeAt(board.axis, placeAt(board.axis, t))).toBeCloseTo(t, 3);
    expect(placeAt(board.axis, -5)).toBe(0);
    expect(placeAt(board.axis, 1e9)).toBe(1);
  });
  test('ticks are round hours of the clock', () => {
    for (const t of board.ticks) expect(t.text).toMatch(/^\d+:00$/);
    expect(clockWords(8 * 3600 + 305)).toBe('8:05');
    expect(clockWords(25 * 3600)).toBe('1:00');
  });
  test('waiting and work left undone are told', () => {
    const dry = pontoonRig();
    dry.tanks[0].startLevel = '6 in';
    dry.spigots[0].readings[0].flow = '2 gpm';
    const told = layoutBoard(simulateDay(parseRig(dry)), dry, 'us').blocks.find((b) => b.label === 'Wash')!;
    expect(told.spoken).toContain('waiting');
    expect(told.waited).toBeGreaterThan(0.1);
  });
});

describe('options', () => {
  test('a variant is kept beside the build, built, and what was is kept in its place', () => {
    const d = pontoonRig();
    const booster = variantsOf(d).find((x) => x.id.startsWith('booster'))!;
    expect(keepOption(d, booster.title, booster.make())).toBe(true);
    d.brief.job = '90 min';
    d.name = 'Renamed';
    const { id } = d.options![0];
    buildOption(d, id, 'Before');
    expect(d.boosters).toHaveLength(1);
    expect(d).toMatchObject({ name: 'Renamed', brief: { job: '90 min' } });
    expect(d.options).toMatchObject([{ id, name: 'Before', rig: { boosters: [] } }]);
    buildOption(d, id, 'Boosted');
    expect(d.boosters).toHaveLength(0);
    expect(readRig(d).ok).toBe(true);
  });
  test('eight at the most; dropped ones are gone, and so is the list with the last', () => {
    const d = pontoonRig();
    for (let i = 0; i < 9; i++) expect(keepOption(d, `Option ${i}`, d)).toBe(i < 8);
    expect(new Set(d.options!.map((o) => o.id)).size).toBe(8);
    expect(d.options!.every((o) => !('options' in o.rig))).toBe(true);
    for (const o of [...d.options!]) dropOption(d, o.id);
    expect(d.options).toBeUndefined();
    buildOption(d, 'gone', 'x');
    expect(d).toEqual(pontoonRig());
  });
});
