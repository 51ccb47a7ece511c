import type { Judged } from '../assessment.js';
import { openRules } from '../open-valves.js';
import { type FindingFigure, type Kinds, places } from '../kind.js';
import { cleanerRules, gunRules, machineRules, setRules, slackRules, surfaceRules } from './fixes.js';
import type { MachineResult } from './result.js';

export type PressureCode =
  | 'unloader-high'
  | 'engine-small'
  | 'idle-weak'
  | 'unloader-cycles'
  | 'unloader-slack'
  | 'unloader-reseat'
  | 'no-gun'
  | 'surface-harsh'
  | 'cleaner-thin'
  | 'nozzle-set'
  | 'gun-weak'
  | 'gun-strong';

const machine = (a: Judged, id: string): MachineResult | undefined => a.machines.find((m) => m.machineId === id);
const atTheGun = (better: 'more' | 'less'): FindingFigure => ({
  label: 'at the gun',
  dimension: 'pressure',
  better,
  step: 5e4,
  of: (a, id) => a.outlets.find((o) => o.outletId === id)?.pressure.value ?? 0,
});

export const PRESSURE_KINDS: Kinds<PressureCode> = {
  'unloader-high': {
    scale: 'rating',
    figure: {
      label: 'over the pump’s rating',
      dimension: 'pressure',
      better: 'less',
      step: 1e3,
      of: (_a, id, rig) => {
        const m = rig.machines.find((x) => x.id === id);
        return m ? Math.max(0, m.unloader.setting - m.ratedPressure) : 0;
      },
    },
    rules: machineRules,
  },
  'idle-weak': { scale: 'practice', figure: places('idle-weak'), minor: true },
  'engine-small': {
    figure: {
      label: 'engine to spare',
      dimension: 'power',
      better: 'more',
      step: 10,
      of: (a, id) => {
        const m = machine(a, id);
        return m ? m.engineAvailable.value - m.enginePower.value : 0;
      },
    },
    rules: machineRules,
  },
  'unloader-cycles': {
    figure: { label: 'turned back', dimension: 'flow', better: 'less', step: 1e-7, of: (a, id) => machine(a, id)?.returned.value ?? 0 },
    rules: machineRules,
  },
  'unloader-slack': {
    figure: {
      label: 'ways of holding the triggers that go slack',
      dimension: 'number',
      better: 'less',
      step: 0.5,
      of: (a, id) => a.cases.filter((c) => c.guns.some((g) => g.open) && c.machines.some((m) => m.machineId === id && m.letsGo)).length,
    },
    rules: slackRules,
  },
  'unloader-reseat': {
    figure: {
      label: 'over what shuts the unloader',
      dimension: 'pressure',
      better: 'less',
      step: 1e4,
      of: (a, id) => {
        const m = machine(a, id);
        return m ? Math.max(0, m.pumpPressure.value - m.reseat.value) : 0;
      },
    },
    minor: true,
  },
  'no-gun': { scale: 'practice', figure: places('no-gun'), rules: openRules },
  'surface-harsh': {
    figure: {
      label: 'at the gun',
      dimension: 'pressure',
      better: 'less',
      step: 5e4,
      of: (a, id) => Math.max(...a.cases.map((c) => c.guns.find((g) => g.outletId === id)?.pressurePa ?? 0)),
    },
    rules: surfaceRules,
  },
  'cleaner-thin': {
    figure: {
      label: 'of the flow its width needs',
      dimension: 'ratio',
      better: 'more',
      step: 0.02,
      of: (a, id) => {
        const o = a.outlets.find((x) => x.outletId === id);
        return o?.cleaner ? o.flow.value / o.cleaner.strictM3s : 1;
      },
    },
    rules: cleanerRules,
  },
  'nozzle-set': { scale: 'practice', figure: places('nozzle-set'), rules: setRules },
  'gun-weak': { figure: atTheGun('more'), rules: gunRules },
  'gun-strong': { figure: atTheGun('less'), rules: gunRules },
};
