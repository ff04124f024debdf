export interface Ratio {
  readonly name: string;
  /** What it is held against. */
  readonly against: string;
  /** At most 1 keeps within the budget. */
  readonly ratio: number;
}
/** Compressed script of each place's first load against its budget. */
export function sizeRatios(): readonly Ratio[];
export function startRatio(): Promise<Ratio>;
