import { addMachine, assess, parseRig, pontoonRig, removeMachine, type RigDocument } from '@pozzo/core';
import { lineWords } from './line-words';
import { layoutWaterway } from './waterway-layout';

const draw = (change: (d: RigDocument) => void = () => undefined) => {
  const d = pontoonRig();
  change(d);
  return layoutWaterway(d, assess(parseRig(d)), 'us');
};

describe('the waterway', () => {
  test('has every stretch of a simple rig, each leading to its station', () => {
    const w = draw();
    expect(w.pipes.map((p) => `${p.kind}:${p.station}`).sort()).toEqual(['feed:feed', 'fill:fill', 'hose:guns', 'return:bypass']);
    expect(w.nodes.map((n) => n.kind)).toEqual(expect.arrayContaining(['spigot', 'machine', 'reel', 'gun']));
    expect(w.tanks).toHaveLength(1);
    expect(w.pipes.some((p) => p.loud)).toBe(false);
  });
  test('at most one stretch shouts: the worst', () => {
    const w = draw((d) => {
      d.spigots[0].readings[0].flow = '2 gpm';
      d.lines[1].parts.forEach((p) => p.kind === 'hose' && (p.bore = '1/2 in'));
    });
    const loud = [...w.pipes, ...w.tanks].filter((x) => x.loud);
    expect(loud).toHaveLength(1);
    expect(loud[0].verdict).toBe('starved');
  });
  test('two machines show two branches that do not overlap', () => {
    const w = draw((d) => void addMachine(d));
    const machines = w.nodes.filter((n) => n.kind === 'machine');
    expect(machines).toHaveLength(2);
    expect(Math.abs(machines[0].y - machines[1].y)).toBeGreaterThan(90);
    expect(w.height).toBeGreaterThan(draw().height);
  });
  test('wide flow is drawn wider', () => {
    const w = draw((d) => void (d.spigots[0].readings[0].flow = '1 gpm'));
    const width = (kind: string): number => w.pipes.find((p) => p.kind === kind)!.width;
    expect(width('fill')).toBeLessThan(width('feed'));
  });
  test('a starved washer shows what it gets beside what it is made for', () => {
    const machine = (w: ReturnType<typeof draw>): string => w.nodes.find((n) => n.kind === 'machine')!.sub;
    expect(machine(draw())).toMatch(/^[\d.]+\u00a0gpm · /);
    const starved = draw((d) => {
      for (const l of d.lines) if (l.role === 'feed') for (const p of l.parts) p.bore = '1/4 in';
    });
    expect(machine(starved)).toMatch(/^[\d.]+\u00a0gpm of [\d.]+\u00a0gpm · /);
  });
  test('an empty rig draws an empty band', () => {
    const w = draw((d) => Object.assign(d, { spigots: [], tanks: [], machines: [], outlets: [], lines: [], reels: [] }));
    expect([w.pipes.length, w.tanks.length, w.nodes.length]).toEqual([0, 0, 0]);
  });
  test('a machine taken off leaves nothing behind', () => {
    const d = pontoonRig();
    const id = addMachine(d);
    removeMachine(d, id);
    expect(d).toEqual(pontoonRig());
  });
  test('a line in words', () => expect(lineWords(pontoonRig().lines[1], 'us')).toBe('1\u00a0in · 6\u00a0ft · 2 elbows'));
});
