import { near, seeded } from '../../testing/near';
import { runHeadLoss } from '../friction';
import { LdlPattern, SparseLdl } from './ldl';
import { AnswerBook, Network, type NetworkSpec } from './index';
import { quadraticOfCv, quadraticOfK } from './spec';

const pipe = { boreM: 0.0254, lengthM: 20, roughnessM: 1e-5 };

describe('sparse factorisation', () => {
  test('solves what plain Gauss elimination solves (seed 5)', () => {
    const random = seeded(5);
    for (let trial = 0; trial < 40; trial++) {
      const n = 2 + Math.floor(random() * 25);
      const dense = Array.from({ length: n }, () => new Array<number>(n).fill(0));
      const pairs: [number, number][] = [];
      for (let i = 0; i < n; i++)
        for (let j = 0; j < i; j++)
          if (random() < 0.25) {
            const p = random() * 10;
            pairs.push([i, j]);
            dense[i][j] -= p;
            dense[j][i] -= p;
            dense[i][i] += p;
            dense[j][j] += p;
          }
      for (let i = 0; i < n; i++) dense[i][i] += 0.01 + random();
      const right = Array.from({ length: n }, () => random() - 0.5);
      const pattern = new LdlPattern(n, pairs);
      const ldl = new SparseLdl(pattern);
      for (let i = 0; i < n; i++) {
        ldl.values[pattern.slot(i, i)] = dense[i][i];
        ldl.rightSide[pattern.row(i)] = right[i];
      }
      for (const [i, j] of pairs) ldl.values[pattern.slot(i, j)] = dense[i][j];
      expect(ldl.factor()).toBe(-1);
      ldl.solve();
      const x = Array.from({ length: n }, (_, i) => ldl.rightSide[pattern.row(i)]);
      for (let i = 0; i < n; i++) {
        const back = dense[i].reduce((s, a, j) => s + a * x[j], 0);
        expect(Math.abs(back - right[i])).toBeLessThan(1e-9);
      }
    }
  });
});

describe('a network', () => {
  test('of one pipe between two tanks loses the level difference', () => {
    const net = new Network({
      nodes: [
        { id: 'a', elevationM: 0, headM: 12 },
        { id: 'b', elevationM: 0, headM: 2 },
      ],
      links: [{ id: 'p', from: 'a', to: 'b', runs: [pipe] }],
    });
    expect(net.solve().converged).toBe(true);
    near(runHeadLoss(pipe, net.flow[0], net.viscosity), 10, 3e-6);
  });

  test('shares its flow between unequal branches by Darcy–Weisbach and keeps every drop', () => {
    const net = new Network({
      nodes: [
        { id: 'tank', elevationM: 0, headM: 3 },
        { id: 'header', elevationM: 0 },
        { id: 'a', elevationM: 0, demandM3s: 5e-4 },
        { id: 'b', elevationM: 0, demandM3s: 2e-4 },
      ],
      links: [
        { id: 'main', from: 'tank', to: 'header', runs: [{ ...pipe, boreM: 0.05 }], quadratic: quadraticOfK(2, 0.05) },
        { id: 'to-a', from: 'header', to: 'a', runs: [pipe] },
        { id: 'to-b', from: 'header', to: 'b', runs: [pipe] },
        { id: 'across', from: 'a', to: 'b', runs: [{ ...pipe, lengthM: 1 }] },
      ],
    });
    const done = net.solve();
    expect(done.converged && done.massError).toBeLessThan(1e-9);
    near(net.flow[0], 7e-4, 1e-9);
    for (const id of ['main', 'to-a', 'to-b', 'across']) {
      const l = net.link(id);
      const spec = net.spec.links[l];
      const drop = net.head[net.node(spec.from)] - net.head[net.node(spec.to)];
      expect(Math.abs(net.headLoss(l) - drop)).toBeLessThan(1e-9);
    }
  });

  test('a check valve shuts against the higher tank', () => {
    const net = new Network({
      nodes: [
        { id: 'low', elevationM: 0, headM: 1 },
        { id: 'high', elevationM: 0, headM: 3 },
        { id: 'j', elevationM: 0, demandM3s: 1e-4 },
      ],
      links: [
        { id: 'from-low', from: 'low', to: 'j', runs: [pipe], oneWay: true },
        { id: 'from-high', from: 'high', to: 'j', runs: [pipe] },
      ],
    });
    expect(net.solve().converged).toBe(true);
    expect(Math.abs(net.flow[0])).toBeLessThan(1e-11);
    near(net.flow[1], 1e-4, 1e-6);
  });

  test('a booster meets its line where curve and loss cross', () => {
    const net = new Network({
      nodes: [
        { id: 'tank', elevationM: 0, headM: 0 },
        { id: 'j', elevationM: 0 },
        { id: 'out', elevationM: 0, headM: 5 },
      ],
      links: [
        { id: 'pump', from: 'tank', to: 'j', constantM: -20, quadratic: 20 / 1e-3 ** 2, oneWay: true },
        { id: 'line', from: 'j', to: 'out', runs: [pipe] },
      ],
    });
    expect(net.solve().converged).toBe(true);
    const q = net.flow[0];
    near(20 * (1 - (q / 1e-3) ** 2), 5 + runHeadLoss(pipe, q, net.viscosity), 5e-6);
  });

  test('a relief valve holds its setting and passes the rest', () => {
    const net = new Network({
      nodes: [
        { id: 'pump', elevationM: 0, demandM3s: -5e-4 },
        { id: 'air', elevationM: 0, headM: 0 },
        { id: 'back', elevationM: 0, headM: 0 },
      ],
      links: [
        { id: 'nozzle', from: 'pump', to: 'air', quadratic: 2000 / 4e-4 ** 2, oneWay: true },
        { id: 'unloader', from: 'pump', to: 'back', constantM: 2000, quadratic: 1e-3, oneWay: true },
      ],
    });
    expect(net.solve().converged).toBe(true);
    near(net.head[0], 2000, 1e-6);
    near(net.flow[0], 4e-4, 1e-6);
    near(net.flow[1], 1e-4, 1e-5);
    net.demand[0] = -3e-4;
    expect(net.solve().converged).toBe(true);
    expect(net.head[0]).toBeLessThan(2000);
    expect(Math.abs(net.flow[1])).toBeLessThan(1e-9);
  });

  test('a reducing valve holds its head while there is more before it', () => {
    const spec = (head: number) =>
      new Network({
        nodes: [
          { id: 's', elevationM: 0, headM: head },
          { id: 'a', elevationM: 0 },
          { id: 'b', elevationM: 0 },
          { id: 'e', elevationM: 0, demandM3s: 2e-4 },
        ],
        links: [
          { id: 'in', from: 's', to: 'a', runs: [pipe] },
          { id: 'v', from: 'a', to: 'b', reducesToHeadM: 10, quadratic: 1e-3 },
          { id: 'out', from: 'b', to: 'e', runs: [pipe] },
        ],
      });
    const high = spec(30);
    expect(high.solve().converged).toBe(true);
    near(high.head[2], 10, 1e-6);
    near(high.flow[1], 2e-4, 1e-6);
    const low = spec(6);
    expect(low.solve().converged).toBe(true);
    expect(low.head[2]).toBeLessThan(6);
    near(low.flow[1], 2e-4, 1e-6);
  });

  test('says which junction is cut off, and which link will not settle', () => {
    const net = new Network({
      nodes: [
        { id: 'tank', elevationM: 0, headM: 1 },
        { id: 'pump', elevationM: 0, demandM3s: 1e-4 },
      ],
      links: [{ id: 'p', from: 'tank', to: 'pump', runs: [pipe], closed: true }],
    });
    expect(net.solve()).toMatchObject({ converged: false, failure: { reason: 'cut-off', nodeId: 'pump' } });
    net.closed[0] = 0;
    expect(net.solve().converged).toBe(true);
  });

  test('names are used once and must exist', () => {
    const nodes = [
      { id: 'a', elevationM: 0, headM: 1 },
      { id: 'a', elevationM: 0, headM: 2 },
    ];
    expect(() => new Network({ nodes, links: [] })).toThrow('Two nodes are called "a".');
    expect(() => new Network({ nodes: [nodes[0]], links: [{ id: 'l', from: 'a', to: 'b' }] })).toThrow('There is no node called "b".');
  });

  test('Cv is what it says: 1 gpm at 1 psi through Cv 1', () => {
    const gpm = 6.30901964e-5;
    const cv = gpm / Math.sqrt(6894.757293);
    near(quadraticOfCv(cv) * gpm * gpm * 999.016 * 9.80665, 6894.757293, 1e-9);
  });
});

describe('an answer that is remembered', () => {
  const spec = (length = 20): NetworkSpec => ({
    nodes: [
      { id: 'a', elevationM: 0, headM: 12 },
      { id: 'm', elevationM: 0, demandM3s: 1e-4 },
      { id: 'b', elevationM: 0, headM: 2 },
      { id: 'n', elevationM: 0, demandM3s: 2e-4 },
    ],
    links: [
      { id: 'p', from: 'a', to: 'm', runs: [pipe], quadratic: 1e5 },
      { id: 'q', from: 'm', to: 'b', runs: [pipe] },
      // Another part: it meets the first at fixed heads only.
      { id: 'r', from: 'a', to: 'n', runs: [{ ...pipe, lengthM: length }] },
    ],
  });
  const iterations = (n: Network): number => {
    const done = n.solve();
    if (!done.converged) throw new Error('not converged');
    return done.iterations;
  };
  const CHANGES: ((n: Network) => void)[] = [
    (n) => void (n.head[0] += 1e-12 + 1),
    (n) => void (n.demand[1] *= 1.001),
    (n) => void (n.closed[1] = 1),
    (n) => void (n.constant[0] = 0.1),
    (n) => void (n.linear[0] = 1),
    (n) => void (n.quadratic[0] *= 1.001),
    (n) => void (n.powerCoefficient[0] = 1),
    (n) => void (n.runRoughness[0] *= 1.001),
    (n) => void (n.runLength[0] *= 1.001),
    (n) => void (n.runBore[1] *= 1.001),
    (n) => void (n.viscosity *= 1.001),
  ];
  test('is taken up to the last bit when everything is set as it was then', () => {
    const net = new Network(spec(), true);
    expect(iterations(net)).toBeGreaterThan(0);
    const [flow, head] = [net.flow.slice(), net.head.slice()];
    net.demand[1] = 3e-4;
    expect(iterations(net)).toBeGreaterThan(0);
    net.demand[1] = 1e-4;
    net.restart();
    expect(iterations(net)).toBe(0);
    expect(net.flow).toEqual(flow);
    expect(net.head).toEqual(head);
  });
  test('is refused after any change, and gives what a network without memory gives', () => {
    for (const change of CHANGES) {
      const net = new Network(spec(), true);
      const plain = new Network(spec());
      net.solve();
      change(net);
      change(plain);
      expect(iterations(net)).toBeGreaterThan(0);
      plain.solve();
      plain.flow.forEach((q, l) => expect(Math.abs(net.flow[l] - q)).toBeLessThan(1e-11));
    }
  });
  test('a change in one part leaves the other alone; what is kept is bounded', () => {
    const net = new Network(spec(), true);
    net.solve();
    const other = net.flow[2];
    for (let i = 0; i < 200; i++) {
      net.demand[1] = 1e-4 + i * 1e-6;
      net.solve();
      expect(net.flow[2]).toBe(other);
    }
    net.demand[1] = 1e-4;
    // The oldest made room long ago.
    expect(iterations(net)).toBeGreaterThan(0);
  });
  test('a book hands answers on to a later network of the same kind, not to one of another', () => {
    const book = new AnswerBook();
    new Network(spec(), book).solve();
    expect(iterations(new Network(spec(), book))).toBe(0);
    const longer = new Network(spec(25), book);
    expect(iterations(longer)).toBeGreaterThan(0);
    const own = new Network(spec(25));
    own.solve();
    expect(Math.abs(longer.flow[2] - own.flow[2])).toBeLessThan(1e-11);
  });
  test('what hangs on one fixed head rises with it, every flow as it was, and needs no new solve', () => {
    const one: NetworkSpec = {
      nodes: [
        { id: 'tank', elevationM: 0, headM: 3 },
        { id: 'fork', elevationM: 0.5 },
        { id: 'a', elevationM: 0, demandM3s: 3e-4 },
        { id: 'b', elevationM: 0, demandM3s: 2e-4 },
      ],
      links: [
        { id: 'main', from: 'tank', to: 'fork', runs: [pipe] },
        { id: 'to-a', from: 'fork', to: 'a', runs: [pipe] },
        { id: 'to-b', from: 'fork', to: 'b', runs: [pipe], quadratic: 1e6 },
        { id: 'ring', from: 'a', to: 'b', runs: [pipe] },
      ],
    };
    const net = new Network(one, true);
    expect(net.soleHeadOf(net.node('a'))).toBe(net.node('tank'));
    net.solve();
    const [flow, head] = [net.flow.slice(), net.head.slice()];
    net.head[net.node('tank')] = 1.25;
    expect(iterations(net)).toBe(0);
    expect(net.flow).toEqual(flow);
    const fresh = new Network({ ...one, nodes: one.nodes.map((n) => (n.id === 'tank' ? { ...n, headM: 1.25 } : n)) });
    fresh.solve();
    for (let i = 0; i < head.length; i++) {
      expect(net.head[i]).toBeCloseTo(head[i] - 1.75, 12);
      expect(net.head[i]).toBeCloseTo(fresh.head[i], 9);
    }
    // Between two fixed heads no one of them is the sole one.
    const two = new Network(spec());
    const sole = Array.from({ length: spec().nodes.length }, (_, i) => two.soleHeadOf(i));
    expect(sole).toContain(-1);
  });
  test('nothing flows in what is cut off from every fixed head', () => {
    const net = new Network({
      nodes: [...spec().nodes, { id: 'x', elevationM: 0 }, { id: 'y', elevationM: 0 }],
      links: [...spec().links, { id: 'alone', from: 'x', to: 'y', runs: [pipe] }],
    });
    expect(net.solve().converged).toBe(true);
    expect(net.flow[3]).toBe(0);
  });
});
