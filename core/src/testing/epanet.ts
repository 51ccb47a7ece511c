import { InitHydOption, LinkProperty, NodeProperty, Project, Workspace } from 'epanet-js';

/** What the EPANET engine makes of a file, in SI: flow by link, head by node, head lost by link. */
export interface EpanetAnswer {
  readonly flow: Readonly<Record<string, number>>;
  readonly headLoss: Readonly<Record<string, number>>;
  readonly head: Readonly<Record<string, number>>;
}

const workspace = new Workspace();

/** Loads the engine; to be awaited before anything else here. */
export const loadEpanet = (): Promise<void> => workspace.loadModule();

/** An engine with a file open. */
export function openEpanet(inp: string): Project {
  const project = new Project(workspace);
  workspace.writeFile('net.inp', inp);
  project.open('net.inp', 'net.rpt', 'net.bin');
  return project;
}

/**
 * Solves one hydraulic state with the reference engine.
 * @param flowUnit m³/s for one unit of the file's flow; @param lengthUnit m for one unit of its heads
 */
export function epanet(inp: string, flowUnit = 1e-3 / 60, lengthUnit = 1): EpanetAnswer {
  const project = openEpanet(inp);
  project.openH();
  project.initH(InitHydOption.NoSave);
  project.runH();
  const flow: Record<string, number> = {};
  const headLoss: Record<string, number> = {};
  const head: Record<string, number> = {};
  for (let i = 1; i <= project.getCount(2); i++) {
    const id = project.getLinkId(i);
    flow[id] = project.getLinkValue(i, LinkProperty.Flow) * flowUnit;
    headLoss[id] = project.getLinkValue(i, LinkProperty.Headloss) * lengthUnit;
  }
  for (let i = 1; i <= project.getCount(0); i++) head[project.getNodeId(i)] = project.getNodeValue(i, NodeProperty.Head) * lengthUnit;
  project.closeH();
  project.close();
  return { flow, headLoss, head };
}
