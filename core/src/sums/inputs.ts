import { sumInput } from './sum.js';

/** Inputs that several sums share, so that a name means the same everywhere. */
export const size = sumInput('size', 'Nozzle number', 'number', '0.1', '200');
export const pressure = sumInput('pressure', 'Pressure at the nozzle', 'pressure', '1 psi', '15000 psi');
export const flow = sumInput('flow', 'Flow', 'flow', '0.001 gpm', '2000 gpm');
export const bore = sumInput('bore', 'Bore', 'length', '1 mm', '300 mm');
export const length = sumInput('length', 'Length', 'length', '1 mm', '10 km');
export const temperature = sumInput('temperature', 'Water', 'temperature', '32.5 °F', '210 °F', '68 °F');
export const roughness = sumInput('roughness', 'Roughness', 'length', '0 mm', '10 mm', '0.0015 mm');
export const altitude = sumInput('altitude', 'Altitude', 'length', '-1400 ft', '20000 ft', '0 ft');
