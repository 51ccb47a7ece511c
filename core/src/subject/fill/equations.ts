import type { Equation } from '../../working/equation.js';

export const FILL_EQUATIONS = {
  'spigot-curve': { title: '‹Spigot› curve', text: 'p = p₀ − k · Q²', source: 'orifice loss of the house’s pipes; k by least squares from the readings' },
  'bucket-test': { title: 'Timed bucket', text: 'Q = V / t', source: 'definition' },
  'fill-balance': {
    title: 'What arrives',
    text: 'H₀ = p₀/(ρ·g) = h_house + z + Σ h, at the flow where both sides are alike',
    source: '‹spigot› curve; energy equation along the fill line',
  },
  'hand-tap': {
    title: 'What a hand hose gives',
    text: 'H − z = Σ h at the flow where what comes in is what the tap and the tank take',
    source: 'network of lines; energy equation along the hand hose',
  },
  'fill-time': { title: 'Time to fill', text: 't = V / Q_in', source: 'volume balance' },
} as const satisfies Record<string, Equation>;
