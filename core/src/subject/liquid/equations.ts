import type { Equation } from '../../working/equation.js';

export const LIQUID_EQUATIONS = {
  'sh-decay': {
    title: 'Ageing of SH',
    text: 'dC/dt = −k·C², log₁₀k = 0.149 I + log₁₀(2.083e10·T·e^(−1.018e5/RT)·e^(−56.5/R))',
    source: 'Gordon, Adam & Bubnis 1995; White’s Handbook half-lives differ by up to a factor of two',
    unverified: true,
  },
  'trade-weight': {
    title: 'Trade and weight percent',
    text: 'weight % = trade % / SG; trade % = g/L available chlorine ÷ 10',
    source: 'definition; SG by strength is an estimate',
  },
  'day-use': { title: 'Used in a day', text: 'V = Σ V_job · jobs, over the mixes that take of it', source: 'volume balance' },
  'week-tank': { title: 'Tank for a week', text: 'V = V_day · days · (1 + reserve)', source: 'volume balance; the reserve is an assumption' },
  'day-tank': { title: 'Tank for a day', text: 'V = V_day · (1 + reserve) + V_heel', source: 'volume balance; the reserve is an assumption' },
  bund: {
    title: '‹Containment tray› under a tank',
    text: 'V = s · tank to its brim',
    source: 'common practice: room for the whole tank and some more; local rules decide',
  },
  'stock-weight': { title: 'Weight of liquids', text: 'm = Σ V · ρ', source: 'definition' },
  'stock-cost': { title: 'Cost of chemicals', text: 'cost = V_bought · price', source: 'definition; prices are the rig’s own' },
} as const satisfies Record<string, Equation>;
