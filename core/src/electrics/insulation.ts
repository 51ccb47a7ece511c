/** Insulation by the hottest that its copper may get: 60, 75 or 90 °C building wire; `vehicle` is cross-linked vehicle and boat cable, 105 °C. */
export const INSULATIONS = ['60', '75', '90', 'vehicle'] as const;
export type Insulation = (typeof INSULATIONS)[number];

/** How cable is bought: by its gauge, AWG, or by its copper, mm². */
export const CABLE_SIZES = ['awg', 'mm2'] as const;
export type CableSizes = (typeof CABLE_SIZES)[number];
