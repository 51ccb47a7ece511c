import { spell } from '../locale/spell.js';
import { spigot } from '../catalogue/usual-things.js';
import type { RigDocument } from '../rig/schema.js';
import { addFill } from './fill.js';
import { unusedId } from './id.js';
import { addMachine, plumbMachine } from './machine.js';
import { addTank } from './tank.js';

/** The three steps from an empty page to a rig that can be judged. In any order each joins what is there. */
export const START_STEPS = ['tank', 'machine', 'tap'] as const;
export type StartStep = (typeof START_STEPS)[number];

/** Whether the rig has what a step brings. */
export function hasStep(d: RigDocument, step: StartStep): boolean {
  switch (step) {
    case 'tank':
      return d.tanks.some((t) => t.liquid === 'water');
    case 'machine':
      return d.machines.length > 0;
    case 'tap':
      return d.spigots.length > 0;
  }
}

/** Takes a step; one that was taken already changes nothing. */
export function takeStep(d: RigDocument, step: StartStep): void {
  if (hasStep(d, step)) return;
  switch (step) {
    case 'tank': {
      const id = addTank(d);
      const tank = d.tanks.find((t) => t.id === id)!;
      tank.name = 'Water';
      if (d.spigots.length) addFill(d, id);
      break;
    }
    case 'machine':
      addMachine(d);
      break;
    case 'tap': {
      const tank = d.tanks.find((t) => t.liquid === 'water');
      if (tank) addFill(d, tank.id);
      else d.spigots.push(spigot(unusedId(d, 'spigot'), spell('‹Spigot›'), '5 gpm'));
      break;
    }
  }
  for (const m of d.machines) plumbMachine(d, m.id);
}
