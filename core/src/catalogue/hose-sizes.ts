const NEXT_BORE_M = [0.0127, 0.015875, 0.01905, 0.0254, 0.03175, 0.0381];

/** Hose sizes on the shelf, in metres: the next one wider than a bore, or undefined. */
export const nextBore = (boreM: number): number | undefined => NEXT_BORE_M.find((b) => b > boreM * 1.02);
