import { pumpCurrent, type Supplied, voltsLeft } from '../chemistry/diaphragm-pump.js';
import { type Figure, figure, input } from '../working/figure.js';

/** Current of an electric pump at its duty, with the voltage that its cable leaves it. @param flowM3s m³/s; @param risePa Pa */
export function currentFigure(flowM3s: number, risePa: number, supplied: Supplied): Figure {
  const current = pumpCurrent(flowM3s, risePa, supplied);
  return figure(
    current,
    'current',
    'pump-current',
    [input('Q', 'flow', flowM3s, 'flow'), input('Δp', 'pump', risePa, 'pressure'), input('V', 'at the pump', voltsLeft(supplied, current), 'voltage')],
    ['pump-volts', 'pump-12v-efficiency', 'pump-free-current'],
  );
}
