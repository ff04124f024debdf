/** Something that was read otherwise than it was written, or left out, and where. */
export interface Remark {
  readonly text: string;
  /** From 1, in files of lines. */
  readonly line?: number;
  /** From 1, characters into the line. */
  readonly column?: number;
}
