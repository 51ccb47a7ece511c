import type { Problem } from './read.js';
import type { Rig } from './schema.js';

const problem = (code: string, path: string, bound: string, message: string): Problem => ({ code, path, bound, message });

/** Settings of what moves energy that do not add up, and cables and change-overs that lead back to themselves. */
export function energyProblems(rig: Rig): Problem[] {
  const out: Problem[] = [];
  rig.batteries.forEach((b, i) => {
    if (b.changeover === b.id)
      out.push(problem('itself', `batteries.${i}.changeover`, 'another battery', `The change-over of "${b.name}" leads back to itself.`));
  });
  rig.wires.forEach((w, i) => {
    const chain = new Set<string>();
    for (let at: string | undefined = w.to; at !== undefined; at = rig.wires.find((x) => x.to === at)?.from) {
      if (chain.has(at)) {
        out.push(problem('itself', `wires.${i}.to`, 'another thing', `Cable "${w.name ?? w.id}" leads round in a circle.`));
        break;
      }
      chain.add(at);
    }
  });
  rig.compressors.forEach((c, i) => {
    if (c.cutIn !== undefined && c.cutOut !== undefined && !(c.cutIn < c.cutOut))
      out.push(problem('above', `compressors.${i}.cutIn`, '< cut-out', `"${c.name}" starts again at a lower pressure than it rests at.`));
  });
  return out;
}
