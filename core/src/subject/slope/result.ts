/** What a tank keeps on the steepest site. */
export interface SlopeTank {
  readonly tankId: string;
  /** How much lower the outlet may come to stand than the middle of the tank, turned whichever way, m. */
  readonly tiltM: number;
  /** Level, measured in the middle, at which the outlet draws air, m inside. */
  readonly lowestM: number;
  /** Water that a level stand would still give, m³, and its share of the usable. */
  readonly keptM3: number;
  readonly keptShare: number;
}

/** What a machine's feed is left with on the steepest site. */
export interface SlopeFeed {
  readonly machineId: string;
  /** How much higher than level the pump may come to stand over the outlet, m. */
  readonly dropM: number;
  /** Inlet head to spare in its worst case, less that, m. */
  readonly marginM: number;
}

export interface SlopeResult {
  readonly tanks: readonly SlopeTank[];
  readonly feeds: readonly SlopeFeed[];
}

export interface SlopeAnswers {
  /** Undefined while the rig stands on level sites, or on no platform. */
  readonly slope: SlopeResult | undefined;
}
