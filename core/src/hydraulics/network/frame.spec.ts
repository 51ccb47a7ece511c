import { frameOf } from './frame';
import { AnswerBook, Network, type NetworkSpec } from './index';

const hose = (lengthM: number, coiledLengthM = 0) => ({ lengthM, boreM: 0.025, roughnessM: 1.5e-6, coiledLengthM, coilDiameterM: 0.4 });
const spec = (
  change: Partial<{ lengthM: number; coiledM: number; hoses: number; name: string; fixed: boolean; to: string; headM: number }> = {},
): NetworkSpec => ({
  nodes: [
    { id: 'tank', elevationM: 1, headM: change.headM ?? 3 },
    { id: change.name ?? 'pump', elevationM: 0, ...(change.fixed ? { headM: 0.5 } : { demandM3s: 5e-4 }) },
    { id: 'air', elevationM: 0, headM: 0 },
  ],
  links: [
    {
      id: 'feed',
      from: 'tank',
      to: change.name ?? 'pump',
      runs: Array.from({ length: change.hoses ?? 1 }, () => hose(change.lengthM ?? 10, change.coiledM)),
      quadratic: 1e4,
    },
    { id: 'leak', from: change.name ?? 'pump', to: change.to ?? 'air', quadratic: 1e8 },
  ],
});

describe('how a network is joined', () => {
  test('is made once for all that are joined alike, whatever their lengths, heads and demands', () => {
    const frame = frameOf(spec());
    expect(frameOf(spec({ lengthM: 80 }))).toBe(frame);
    expect(frameOf(spec({ headM: 9 }))).toBe(frame);
    expect(frameOf(spec({ coiledM: 5 }))).toBe(frame);
  });
  test('is another one for another name, another end, a hose more, a head that is fixed', () => {
    const frame = frameOf(spec());
    for (const other of [spec({ name: 'washer' }), spec({ to: 'tank' }), spec({ hoses: 2 }), spec({ fixed: true })]) expect(frameOf(other)).not.toBe(frame);
    expect(frameOf(spec())).toBe(frame);
  });
  test('networks that share it keep their own settings and answers', () => {
    const [short, long] = [new Network(spec()), new Network(spec({ lengthM: 80 }))];
    expect(short.frame).toBe(long.frame);
    short.solve();
    const before = [...short.head];
    long.demand[long.node('pump')] = 1e-3;
    long.closed[long.link('leak')] = 1;
    long.solve();
    short.restart();
    short.solve();
    short.head.forEach((h, i) => expect(Math.abs(h - before[i])).toBeLessThan(1e-9));
    expect(long.head[long.node('pump')]).toBeLessThan(short.head[short.node('pump')]);
  });
  test('a book gives no answer of a straight hose to a coiled one', () => {
    const book = new AnswerBook();
    const solved = (coiledM: number): number => {
      const network = new Network(spec({ coiledM }), book);
      network.solve();
      return network.head[network.node('pump')];
    };
    const [straight, coiled] = [solved(0), solved(10)];
    expect(coiled).toBeLessThan(straight - 1e-3);
    expect([solved(0), solved(10)]).toEqual([straight, coiled]);
  });
  test('names that come twice, and ends that are no node, are refused', () => {
    const twice = spec({ name: 'tank' });
    expect(() => frameOf(twice)).toThrow(/Two nodes are called "tank"/);
    expect(() => frameOf(spec({ to: 'nowhere' }))).toThrow(/There is no node called "nowhere"/);
  });
});
