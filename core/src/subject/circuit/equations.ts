import type { Equation } from '../../working/equation.js';

export const CIRCUIT_EQUATIONS = {
  'voltage-drop': {
    title: 'Voltage lost in a cable',
    text: 'ΔV = 2 L ρ I / A, A = π/4 · (0.005 in · 92^((36 − n)/39))², ρ = ρ20 · (1 + 0.00393 (T − 20 °C)), T = T_air + (T_ins − T_air) · (I / ampacity)²',
    source: 'Ohm; wire sizes ASTM B258, copper 1.7241e-8 Ω·m (IACS), its rise with temperature IEC 60228',
    unverified: true,
  },
  'motor-current': { title: 'Current of a motor', text: 'I = p · Q / (η · V)', source: 'definition; the efficiency is an estimate' },
  cable: {
    title: 'Cable and fuse',
    text: 'fuse ≥ 1.25 I; smallest cable that carries its fuse and loses no more than the share',
    source: 'ampacity by insulation, NEC table 310.16, vehicle cable ABYC E-11, warmer air NEC 310.15(B); wire sizes ASTM B258',
    unverified: true,
  },
  fuse: { title: 'Fuse', text: 'the next that is sold over 1.25 I', source: 'common practice' },
  generator: { title: 'Generator', text: 'P_run = P / η; P_start = s · P_run', source: 'definition; start factor is an estimate' },
  starter: { title: 'Starter', text: 'V = V_battery − 2 L ρ I / A', source: 'Ohm; wire sizes ASTM B258', unverified: true },
  peukert: { title: 'Hours of a battery', text: 't = 20 h · (C / (I · 20 h))^k', source: 'Peukert 1897', unverified: true },
  'battery-taken': {
    title: 'Taken out of the battery',
    text: 'Q = Σ I · t · max(1, (I / I₂₀)^(k − 1)), I all that runs together, I₂₀ the current of its 20-hour rating',
    source: 'Peukert 1897',
    unverified: true,
  },
  'battery-day': {
    title: 'Battery over the day',
    text: 'Q_net = Q_taken − η · Σ I_charge · t, nothing at least',
    source: 'charge balance; the share that is given again is an estimate',
  },
} as const satisfies Record<string, Equation>;
