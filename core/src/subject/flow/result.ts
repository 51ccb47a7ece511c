export interface FlowAnswers {
  /** Flow with all guns open and the tanks half full, m³/s, by line. */
  readonly lineFlow: Readonly<Record<string, number>>;
}
