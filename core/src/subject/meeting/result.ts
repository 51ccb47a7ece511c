/** Two liquids on the rig that ought not to meet. */
export interface MeetingResult {
  readonly a: string;
  readonly b: string;
  readonly verdict: 'care' | 'never';
  readonly reason: string;
  /** Where they can: in a mix, a pump, a hose; empty when they only ride on the same rig. */
  readonly places: readonly string[];
}

export interface MeetingAnswers {
  readonly chemical: { readonly meetings: readonly MeetingResult[] };
}
