/** The equation behind a figure: as text a person can follow, with its source. */
export interface Equation {
  readonly title: string;
  readonly text: string;
  readonly source: string;
  /** The source is cited from memory: nobody looked the equation up in it. The screen says "unverified". */
  readonly unverified?: true;
}

/** Those that no subject has to itself. */
export const COMMON_EQUATIONS = {
  given: { title: 'As set', text: 'the value that was typed', source: 'rig document' },
  assumed: { title: 'Taken for granted', text: 'nothing was typed: the value of the assumption', source: 'the assumption below' },
  network: {
    title: 'Network of lines',
    text: 'heads and flows together: Σ Q = 0 at each junction, h(Q) = ΔH along each line',
    source: 'global gradient method, Todini & Pilati 1988',
  },
  velocity: { title: 'Velocity', text: 'V = Q / (π/4 · d²)', source: 'continuity' },
  'hose-loss': {
    title: 'Friction in a hose',
    text: 'Δp = ρ · f · (L/d) · V²/2, f by Colebrook–White',
    source: 'Darcy–Weisbach; Colebrook 1939, solved as in Clamond 2009',
  },
} as const satisfies Record<string, Equation>;
