import type { Equation } from '../../working/equation.js';

export const WEIGHT_EQUATIONS = {
  'gross-mass': {
    title: 'What the whole weighs',
    text: 'M = platform + what stands on it, dry + liquids + lines + what rides along',
    source: 'sum of masses; ‹catalog› masses are estimates',
  },
  'axle-load': {
    title: 'Load on an axle',
    text: 'trailer: F = M · (x − x_c) / (x_a − x_c) ÷ axles of the group; vehicle: rear = M · (x − x_f) / (x_r − x_f), front = M − rear',
    source: 'statics of two supports; axles on an equaliser share evenly, torsion axles only on a level deck',
  },
  'tongue-load': { title: 'Weight on the ‹coupler›', text: 'T = M · (x_a − x) / (x_a − x_c)', source: 'statics of two supports' },
  'payload-left': { title: 'Payload left', text: 'M_left = gross rating − M', source: 'definition' },
  'side-share': { title: 'Share of the street-side wheels', text: 's = ½ + (y − w/2) · M / (M_a · t)', source: 'statics of two supports' },
  rollover: {
    title: 'Pull to the side before it tips',
    text: 'a/g = t / 2(h + Σ ρ I / M), I = L·w³/12 of each free surface, π·d⁴/64 of a round one',
    source: 'static rollover threshold; free-surface effect of naval architecture',
    unverified: true,
  },
} as const satisfies Record<string, Equation>;
