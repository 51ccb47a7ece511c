import type { Equation } from '../../working/equation.js';

export const MIX_EQUATIONS = {
  dilution: { title: 'Dilution', text: 'C₁ · V₁ = C₂ · V₂, by available chlorine (trade % = g/L ÷ 10)', source: 'mass balance' },
  blend: { title: 'Strength of a blend', text: 'c = Σ Q·c / Σ Q over the streams that meet', source: 'mass balance; flows by the network of lines' },
  'draw-ratio': {
    title: 'Injector',
    text: 'c = c_stock · r/(1 + r); r follows the root of suction and fall through orifice and draw line',
    source: 'energy equation; fall of suction with back-pressure is an estimate, calibrate with a timed cup',
  },
  coverage: { title: 'Mix for a surface', text: 'V = area · passes / coverage', source: 'common practice; all three are assumptions' },
  flush: { title: 'Flush', text: 'V = n · volume of pump and hose to the tip; t = V / Q', source: 'plug flow; n is an assumption' },
  'mix-change': {
    title: 'Change of liquid',
    text: 't = volume of the way to the tip / flow + walk to the rig and back',
    source: 'plug flow; the pace is an assumption',
  },
} as const satisfies Record<string, Equation>;
