import type { Equation } from '../../working/equation.js';

export const PRESSURE_EQUATIONS = {
  'nozzle-flow': { title: 'Nozzle law', text: 'Q = N · √(p / 4000 psi), Q in gpm', source: 'definition of the nozzle number' },
  'nozzle-size': { title: 'Nozzle law, solved for the size', text: 'N = Q / √(p / 4000 psi), Q in gpm', source: 'definition of the nozzle number' },
  'nozzle-pressure': { title: 'Nozzle law, solved for the pressure', text: 'p = 4000 psi · (Q / N)², Q in gpm', source: 'definition of the nozzle number' },
  'gun-pressure': {
    title: 'Pressure at the nozzle',
    text: 'p_gun = p_pump − hose and fittings; Q through the nozzle by its law; unloader opens at its setting',
    source: 'network of lines; nozzle law',
  },
  recoil: { title: 'Recoil of a jet', text: 'F = ρ · Q · v, v = C_v · √(2 p/ρ)', source: 'momentum of the jet' },
  'worn-nozzle': {
    title: 'At the gun with a worn nozzle',
    text: 'the same network, the nozzle passing N·(1 + w) at the same pressure; where all the pump’s flow goes through it, p/(1 + w)²',
    source: 'nozzle law; network of lines',
  },
  'nozzle-wear': { title: 'Nozzle wear from a gauge', text: 'N_now = Q / √(p / 4000 psi); wear = N_now / N − 1', source: 'definition of the nozzle number' },
  'surface-cleaner': {
    title: 'Surface cleaner',
    text: 'area rate = width · (1 − overlap) · speed',
    source: 'geometry; flow per width: common practice, two schools',
  },
  'shaft-power': { title: 'Engine power needed', text: 'P = p · Q / η, engine derated with altitude', source: 'definition; η and derating are assumptions' },
  'hydraulic-power': { title: 'Power into the water', text: 'P = p · Q', source: 'definition (gpm · psi / 1714 = hp)' },
  'engine-derate': {
    title: 'Engine power at an altitude',
    text: 'P = P_rated · (1 − s · z / 1000 ft)',
    source: 'engine data sheets; the share is an assumption',
  },
  'unloader-peak': {
    title: 'Pressure before the unloader opens',
    text: 'p = p_set · (1 + s)',
    source: 'definition; the share is an assumption or the data sheet’s',
  },
  'unloader-reseat': {
    title: 'Pressure at which the unloader shuts again',
    text: 'p = p_set · (1 − s)',
    source: 'definition; the share is an assumption or the data sheet’s',
  },
  'hose-reach': { title: 'Longest hose for a target pressure', text: 'L = (p_pump − p_gun) / (Δp per ‹meter›)', source: 'Darcy–Weisbach; Colebrook 1939' },
  'hose-bore': { title: 'Bore for a target loss', text: 'd such that ρ · f · (L/d) · V²/2 = Δp', source: 'Darcy–Weisbach; Colebrook 1939' },
} as const satisfies Record<string, Equation>;
