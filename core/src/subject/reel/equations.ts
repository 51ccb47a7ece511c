import type { Equation } from '../../working/equation.js';

export const REEL_EQUATIONS = {
  'hose-carried': { title: 'Hose carried', text: 'L = hose of the line + spare', source: 'rig document' },
  'hose-volume': { title: 'Volume of a hose', text: 'V = π/4 · d² · L', source: 'geometry' },
  'coil-loss': { title: 'Friction on the reel', text: 'f = 0.316 Re^−0.25 + 0.03 √(d/D)', source: 'Mishra & Gupta 1979', unverified: true },
  'reel-capacity': {
    title: 'Hose on a drum',
    text: 'L = π · A · (A + B) · C / d² · winding',
    source: 'drum formula of rope and hose makers',
    unverified: true,
  },
  'hose-mass': {
    title: 'Weight of hose on a reel',
    text: 'm = mass per length · L (+ ρ · π/4 · d² · L when full)',
    source: 'geometry; mass per length from the ‹catalog›, estimate',
  },
  'pull-out': { title: 'Time to pull out', text: 't = L / pace', source: 'definition; the pace is an assumption' },
  'run-length': { title: 'Hose a site needs', text: 'L = √(distance² + height²) + corners · allowance', source: 'geometry; the allowance is an assumption' },
  'change-over': { title: 'Change of liquid', text: 't = volume of the way to the tip / flow', source: 'plug flow' },
  'reel-motor': { title: 'Reel motor', text: 'P = F · v / η; I = P / V', source: 'definition' },
} as const satisfies Record<string, Equation>;
