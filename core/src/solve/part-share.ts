export interface PartShare {
  readonly lineId: string;
  readonly partId: string;
  readonly name: string;
  readonly lossM: number;
  /** Of the whole path's loss, 0..1. */
  readonly share: number;
  readonly flowM3s: number;
}
