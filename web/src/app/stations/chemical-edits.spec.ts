import {
  addLiquid,
  addMix,
  assess,
  changeKind,
  LAYOUTS,
  parseRig,
  pontoonRig,
  removeLiquid,
  removeMix,
  type RigDocument,
  soapOf,
  convertMix,
} from '@pozzo/core';
import { layoutBlend } from './mix/blend-layout';

const read = (d: RigDocument) => assess(parseRig(d));
const layout = (id: string): RigDocument => LAYOUTS.find((l) => l.id === id)!.make();

describe('mixes are added and taken off whole', () => {
  test('the first mix behind a washer is an injector with its drum, draw hose and check valve', () => {
    const d = pontoonRig();
    const id = addMix(d);
    const a = read(d);
    expect(a.chemical.mixes).toHaveLength(1);
    expect(a.chemical.mixes[0]).toMatchObject({ mixId: id, way: 'downstream' });
    expect(a.chemical.mixes[0].first.value).toBeGreaterThan(0.004);
    expect(a.findings.map((f) => f.code)).not.toContain('no-check');
  });
  test('the second is a batch with a pump and gun of its own; taken off, it leaves no line, pump or gun', () => {
    const d = pontoonRig();
    addMix(d);
    const lines = d.lines.length;
    const id = addMix(d);
    expect(read(d).chemical.softPumps).toHaveLength(1);
    removeMix(d, id);
    expect(d.softPumps).toHaveLength(0);
    expect(d.sprayers).toHaveLength(0);
    expect(d.lines).toHaveLength(lines);
    expect(read(d).chemical.mixes).toHaveLength(1);
  });
  test('turned to a proportioner and back, the way stays whole', () => {
    const d = layout('two-batch');
    convertMix(d, 'walls', 'proportioner', 0.2);
    expect(read(d).chemical.mixes.find((m) => m.mixId === 'walls')!.streams.length).toBeGreaterThan(1);
    convertMix(d, 'walls', 'batch', 0.2);
    expect(read(d).chemical.mixes.find((m) => m.mixId === 'walls')!.streams).toHaveLength(1);
  });
  test('soap comes with a liquid for it, and goes', () => {
    const d = pontoonRig();
    addMix(d);
    soapOf(d, 0, 'poured');
    expect(d.liquids!.filter((l) => l.kind === 'soap')).toHaveLength(1);
    soapOf(d, 0, 'metered');
    expect(d.mixes![0].soap).toMatchObject({ by: 'metered', dose: '1 oz/gal' });
    soapOf(d, 0, 'none');
    expect(d.mixes![0].soap).toBeUndefined();
    parseRig(d);
  });
});

describe('liquids', () => {
  test('one in a tank or a mix stays; one that is not goes', () => {
    const d = pontoonRig();
    addMix(d);
    expect(removeLiquid(d, d.liquids![0].id)).toBe(false);
    const id = addLiquid(d);
    expect(removeLiquid(d, id)).toBe(true);
    expect(d.liquids).toHaveLength(1);
  });
  test('another kind takes along what only that kind has', () => {
    const d = pontoonRig();
    addMix(d);
    const i = d.liquids!.length;
    addLiquid(d);
    changeKind(d, i, 'oxygen-bleach');
    expect(d.liquids![i]).toMatchObject({ dose: '60 g/L', useBy: '8 h' });
    changeKind(d, i, 'acid');
    expect(d.liquids![i].dose).toBeUndefined();
    changeKind(d, i, 'hypochlorite');
    expect(d.liquids![i].strength?.as).toBe('trade');
    parseRig(d);
  });
});

describe('the blend as a drawing', () => {
  const mix = read(layout('crew-of-four')).chemical.mixes.find((m) => m.way === 'proportioner')!;
  const drawn = layoutBlend(mix, 0.1, 'us');
  test('widths follow flows, the widest is water', () => {
    expect(drawn.streams).toHaveLength(3);
    expect(drawn.streams[0].width).toBe(26);
    expect(drawn.streams[0].chemical).toBe(false);
    expect(drawn.streams[1].width).toBeLessThan(drawn.streams[0].width);
    expect(drawn.streams[1].chemical).toBe(true);
  });
  test('the dial runs to twice what is wanted, and says first and last minute in words', () => {
    expect(drawn.dial.most).toBe('2%');
    expect(Math.abs(drawn.dial.first.x - 470)).toBeLessThan(2);
    expect(drawn.dial.last.x).toBeLessThan(drawn.dial.first.x);
    expect(drawn.words).toContain('in the first minute');
  });
  test('a stream that does not flow has no width and says so', () => {
    const dry = layoutBlend({ ...mix, streams: mix.streams.map((s, i) => (i === 2 ? { ...s, flowM3s: 0, share: 0 } : s)) }, 0.1, 'us');
    expect(dry.streams[2]).toMatchObject({ width: 0, flow: 'nothing flows' });
  });
});
