import type { Equation } from '../../working/equation.js';

export const BUFFER_EQUATIONS = {
  'float-levels': {
    title: 'Time until dry',
    text: 't = V_above heel / (Q_out − Q_in) once the float is open; over its last travel it lets in less',
    source: 'volume balance',
  },
  'tied-levels': {
    title: 'Time until dry',
    text: 'each tank by its own balance, with what its ties carry: A·dz/dt = Q_in − Q_out + Q_tie(Δz)',
    source: 'volume balance; energy equation of each tie',
  },
  'time-to-empty': { title: 'Time to empty', text: 't = V / (Q_out − Q_in)', source: 'volume balance' },
  'time-to-recover': { title: 'Time to recover', text: 't = (V_full − V) / Q_in', source: 'volume balance' },
  'usable-volume': { title: 'Usable water', text: 'V = volume(full level) − volume(heel)', source: 'geometry' },
  'mass-curve': { title: 'Water the job needs on board', text: 'V = max over the job of Σ(out − in), plus reserve', source: 'mass curve, Rippl 1883' },
  'net-draw': { title: 'Net draw', text: 'Q = Σ P·Q over the ways of holding the triggers, what returns taken off, + Q_soft', source: 'volume balance' },
  'heel-level': {
    title: 'Level below which it is of no use',
    text: 'z = z_out + s · S, S = D · (1.0 + 2.3 · V/√(g·D))',
    source: 'ANSI/HI 9.8, written for intakes; conservative here',
    unverified: true,
  },
  submergence: {
    title: 'Unusable heel',
    text: 'S = D · (1.0 + 2.3 · V/√(g·D)) above the outlet',
    source: 'ANSI/HI 9.8, written for intakes; conservative here',
    unverified: true,
  },
  'tie-difference': {
    title: 'Level difference of tied tanks',
    text: 'Δh = head lost in the tie at the flow that keeps both falling together',
    source: 'network of lines',
  },
  'tank-holds': { title: 'What a tank holds', text: 'V by the shape to the level; m = ρ · V', source: 'geometry; density of water at 68 °F, 998.2 kg/m³' },
} as const satisfies Record<string, Equation>;
