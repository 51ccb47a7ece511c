/** The equations behind figures: as text a person can follow, with their source. */
export interface Equation {
  readonly title: string;
  readonly text: string;
  readonly source: string;
  /** The source is cited from memory: nobody looked the equation up in it. The screen says "unverified". */
  readonly unverified?: true;
}

export const EQUATIONS = {
  given: { title: 'As set', text: 'the value that was typed', source: 'rig document' },
  assumed: { title: 'Taken for granted', text: 'nothing was typed: the value of the assumption', source: 'the assumption below' },
  'nozzle-flow': { title: 'Nozzle law', text: 'Q = N · √(p / 4000 psi), Q in gpm', source: 'definition of the nozzle number' },
  'nozzle-size': { title: 'Nozzle law, solved for the size', text: 'N = Q / √(p / 4000 psi), Q in gpm', source: 'definition of the nozzle number' },
  'nozzle-pressure': { title: 'Nozzle law, solved for the pressure', text: 'p = 4000 psi · (Q / N)², Q in gpm', source: 'definition of the nozzle number' },
  'hose-loss': {
    title: 'Friction in a hose',
    text: 'Δp = ρ · f · (L/d) · V²/2, f by Colebrook–White',
    source: 'Darcy–Weisbach; Colebrook 1939, solved as in Clamond 2009',
  },
  'hose-volume': { title: 'Volume of a hose', text: 'V = π/4 · d² · L', source: 'geometry' },
  'bucket-test': { title: 'Timed bucket', text: 'Q = V / t', source: 'definition' },
  'time-to-empty': { title: 'Time to empty', text: 't = V / (Q_out − Q_in)', source: 'volume balance' },
  'time-to-recover': { title: 'Time to recover', text: 't = (V_full − V) / Q_in', source: 'volume balance' },
  network: {
    title: 'Network of lines',
    text: 'heads and flows together: Σ Q = 0 at each junction, h(Q) = ΔH along each line',
    source: 'global gradient method, Todini & Pilati 1988',
  },
  'spigot-curve': { title: 'Spigot curve', text: 'p = p₀ − k · Q²', source: 'orifice loss of the house’s pipes; k by least squares from the readings' },
  'npsh-available': {
    title: 'Inlet head available',
    text: 'NPSHa = (p_air − p_vapour)/(ρ g) + lift − friction + booster − pulses',
    source: 'Hydraulic Institute definition of NPSH available',
  },
  'npsh-margin': { title: 'Inlet head to spare', text: 'margin = NPSHa − NPSHr', source: 'Hydraulic Institute; NPSHr from the pump’s data sheet' },
  'direct-margin': {
    title: 'To spare straight from a spigot',
    text: 'margin = the lesser of NPSHa − NPSHr and H_in − H_min',
    source: 'Hydraulic Institute; an inlet hose that is sucked flat or draws air: the least inlet pressure is an assumption',
  },
  'acceleration-head': {
    title: 'Pulse (acceleration) head',
    text: 'h = min( Σ L·V · n·C/(K·g), c·r·V_p/g ), n in turns a minute',
    source: 'GPSA / Hydraulic Institute, capped by Joukowsky',
    unverified: true,
  },
  velocity: { title: 'Velocity', text: 'V = Q / (π/4 · d²)', source: 'continuity' },
  submergence: {
    title: 'Unusable heel',
    text: 'S = D · (1.0 + 2.3 · V/√(g·D)) above the outlet',
    source: 'ANSI/HI 9.8, written for intakes; conservative here',
    unverified: true,
  },
  'heel-level': {
    title: 'Level below which it is of no use',
    text: 'z = z_out + s · S, S = D · (1.0 + 2.3 · V/√(g·D))',
    source: 'ANSI/HI 9.8, written for intakes; conservative here',
    unverified: true,
  },
  'fill-balance': {
    title: 'What arrives',
    text: 'H₀ = p₀/(ρ·g) = h_house + z + Σ h, at the flow where both sides are alike',
    source: 'spigot curve; energy equation along the fill line',
  },
  'engine-derate': {
    title: 'Engine power at an altitude',
    text: 'P = P_rated · (1 − s · z / 1000 ft)',
    source: 'engine data sheets; the share is an assumption',
  },
  returned: { title: 'Turned back', text: 'Q_back = Q − Σ Q_gun', source: 'volume balance' },
  'hose-carried': { title: 'Hose carried', text: 'L = hose of the line + spare', source: 'rig document' },
  'usable-volume': { title: 'Usable water', text: 'V = volume(full level) − volume(heel)', source: 'geometry' },
  'mass-curve': { title: 'Water the job needs on board', text: 'V = max over the job of Σ(out − in), plus reserve', source: 'mass curve, Rippl 1883' },
  'net-draw': { title: 'Net draw', text: 'Q = flow at the guns × trigger share; the rest returns to the tank', source: 'volume balance' },
  'gun-pressure': {
    title: 'Pressure at the nozzle',
    text: 'p_gun = p_pump − hose and fittings; Q through the nozzle by its law; unloader opens at its setting',
    source: 'network of lines; nozzle law',
  },
  'hydraulic-power': { title: 'Power into the water', text: 'P = p · Q', source: 'definition (gpm · psi / 1714 = hp)' },
  'shaft-power': { title: 'Engine power needed', text: 'P = p · Q / η, engine derated with altitude', source: 'definition; η and derating are assumptions' },
  'bypass-heat': { title: 'Warming in bypass', text: 't = m · c · (T_limit − T_water) / (Δp · Q)', source: 'first law; specific heat of water IAPWS-IF97' },
  'return-pressure': { title: 'Back-pressure in the return', text: 'Δp = friction and fittings of the return line', source: 'network of lines' },
  'bubble-depth': {
    title: 'How deep the return drives bubbles',
    text: 'D = 2.6 · (V · d)^0.7, SI, at the surface',
    source: 'McKeogh & Ervine 1981',
    unverified: true,
  },
  'drain-time': { title: 'Time to drain', text: 't = ∫ A(h) dh / Q(h), Q from the energy equation', source: 'quasi-steady energy equation' },
  'vent-vacuum': { title: 'Vacuum behind a vent', text: 'Δp = ρ_air/2 · (Q / (C·A))²', source: 'orifice equation' },
  'coil-loss': { title: 'Friction on the reel', text: 'f = 0.316 Re^−0.25 + 0.03 √(d/D)', source: 'Mishra & Gupta 1979', unverified: true },
  'tie-difference': {
    title: 'Level difference of tied tanks',
    text: 'Δh = head lost in the tie at the flow that keeps both falling together',
    source: 'network of lines',
  },
  'fill-time': { title: 'Time to fill', text: 't = V / Q_in', source: 'volume balance' },
  'nozzle-wear': { title: 'Nozzle wear from a gauge', text: 'N_now = Q / √(p / 4000 psi); wear = N_now / N − 1', source: 'definition of the nozzle number' },
  'hose-bore': { title: 'Bore for a wanted loss', text: 'd such that ρ · f · (L/d) · V²/2 = Δp', source: 'Darcy–Weisbach; Colebrook 1939' },
  'hose-reach': { title: 'Longest hose for a wanted pressure', text: 'L = (p_pump − p_gun) / (Δp per metre)', source: 'Darcy–Weisbach; Colebrook 1939' },
  'reel-capacity': {
    title: 'Hose on a drum',
    text: 'L = π · A · (A + B) · C / d² · winding',
    source: 'drum formula of rope and hose makers',
    unverified: true,
  },
  'surface-cleaner': {
    title: 'Surface cleaner',
    text: 'area rate = width · (1 − overlap) · speed',
    source: 'geometry; flow per width: common practice, two schools',
  },
  'jet-height': {
    title: 'Height of a straight jet',
    text: 'H = h / (1 + φ h), φ = 0.00025 / (d + 1000 d³), metres',
    source: 'Lüger, fire hydraulics',
    unverified: true,
  },
  'hose-mass': {
    title: 'Weight of hose on a reel',
    text: 'm = mass per length · L (+ ρ · π/4 · d² · L when full)',
    source: 'geometry; mass per length from the catalogue, estimate',
  },
  'pull-out': { title: 'Time to pull out', text: 't = L / pace', source: 'definition; the pace is an assumption' },
  dilution: { title: 'Dilution', text: 'C₁ · V₁ = C₂ · V₂, by available chlorine (trade % = g/L ÷ 10)', source: 'mass balance' },
  blend: { title: 'Strength of a blend', text: 'c = Σ Q·c / Σ Q over the streams that meet', source: 'mass balance; flows by the network of lines' },
  'draw-ratio': {
    title: 'Injector',
    text: 'c = c_stock · r/(1 + r); r follows the root of suction and fall through orifice and draw line',
    source: 'energy equation; fall of suction with back-pressure is an estimate, calibrate with a timed cup',
  },
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
  bund: { title: 'Bund under a tank', text: 'V = s · tank to its brim', source: 'common practice: room for the whole tank and some more; local rules decide' },
  coverage: { title: 'Mix for a surface', text: 'V = area · passes / coverage', source: 'common practice; all three are assumptions' },
  flush: { title: 'Flush', text: 'V = n · volume of pump and hose to the tip; t = V / Q', source: 'plug flow; n is an assumption' },
  'pump-duty': { title: 'Where pump and hose agree', text: 'pump curve = static height + hose, fittings and nozzle', source: 'network of lines' },
  'pump-current': { title: 'Current', text: 'I = I_free + Q·Δp / (η·V)', source: 'definition; η and I_free are assumptions' },
  'battery-day': { title: 'Battery over the day', text: 'Ah = (I_pump − I_charge) · hours pumping', source: 'definition' },
  'air-use': { title: 'Air of an air-operated pump', text: 'q = Q · (p_air + p_atm)/p_atm · surcharge', source: 'displacement; the surcharge is an estimate' },
  receiver: {
    title: 'Air receiver',
    text: 't = V · (p_full − p_pump) / (p_atm · (q_pump − q_compressor))',
    source: 'receiver sizing of compressed-air handbooks',
    unverified: true,
  },
  'resin-life': { title: 'Resin', text: 'gallons = grains in the bed / (ppm ÷ 17.1)', source: 'definition of the grain per gallon' },
  antifreeze: {
    title: 'Antifreeze',
    text: 'V = wetted volume · glycol share for the frost / share in the product',
    source: 'propylene glycol data-sheet table',
    unverified: true,
  },
  'stock-weight': { title: 'Weight of liquids', text: 'm = Σ V · ρ', source: 'definition' },
  'stock-cost': { title: 'Cost of chemicals', text: 'cost = V_bought · price', source: 'definition; prices are the rig’s own' },
  'change-over': { title: 'Change of liquid', text: 't = volume of the way to the tip / flow', source: 'plug flow' },
  'mix-change': {
    title: 'Change of liquid',
    text: 't = volume of the way to the tip / flow + walk to the rig and back',
    source: 'plug flow; the pace is an assumption',
  },
  'run-length': { title: 'Hose a site wants', text: 'L = √(distance² + height²) + corners · allowance', source: 'geometry; the allowance is an assumption' },
} as const satisfies Record<string, Equation>;

export type EquationId = keyof typeof EQUATIONS;
