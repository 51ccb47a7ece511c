import { Network } from '../hydraulics/network/network.js';
import type { InpNetwork } from './inp-read.js';

/** Answer to a network file, ready to print. */
export interface InpSolution {
  readonly links: Readonly<Record<string, { readonly flowM3s: number; readonly headLossM: number; readonly velocityMs: number }>>;
  readonly nodes: Readonly<Record<string, { readonly headM: number; readonly pressurePa: number }>>;
  readonly converged: boolean;
  readonly iterations: number;
  /** Why there is no answer, when there is none. */
  readonly failure?: string;
}

/** A network of a file, compiled. */
export function inpNetwork(inp: InpNetwork): Network {
  const network = new Network(inp.spec);
  network.viscosity = inp.viscosity;
  return network;
}

/** Solves a network of a file once. Head loss is that from `from` to `to`; a closed link has none. */
export function solveInp(inp: InpNetwork): InpSolution {
  const network = inpNetwork(inp);
  const outcome = network.solve();
  const links: Record<string, InpSolution['links'][string]> = {};
  const nodes: Record<string, InpSolution['nodes'][string]> = {};
  for (const id of inp.linkIds) {
    const l = network.link(id);
    const spec = inp.spec.links[l];
    const flow = Math.abs(network.flow[l]) < 1e-10 ? 0 : network.flow[l];
    const bore = inp.bores.get(id);
    const drop = network.head[network.node(spec.from)] - network.head[network.node(spec.to)];
    const opensAt = (spec.constantM ?? 0) - (spec.curve?.[0]?.headM ?? 0);
    const shut = network.closed[l] === 1 || (spec.oneWay === true && flow === 0 && drop < opensAt - 1e-3);
    links[id] = {
      flowM3s: flow,
      headLossM: shut ? 0 : drop,
      velocityMs: bore === undefined ? 0 : Math.abs(flow) / ((Math.PI / 4) * bore * bore),
    };
  }
  for (const id of inp.nodeIds) {
    const n = network.node(id);
    nodes[id] = { headM: network.head[n], pressurePa: (network.head[n] - inp.spec.nodes[n].elevationM) * inp.weight };
  }
  const failure = outcome.converged
    ? undefined
    : outcome.failure.reason === 'cut-off'
      ? `Node ${outcome.failure.nodeId} needs water and is cut off from it.`
      : `The flow of link ${outcome.failure.linkId} does not settle.`;
  return { links, nodes, converged: outcome.converged, iterations: outcome.iterations, ...(failure ? { failure } : {}) };
}
