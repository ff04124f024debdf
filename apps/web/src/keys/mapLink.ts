import type { KeyQuestion } from '../compute/compute.ts';

/** The link that opens a key on Map, on a given instrument, over one octave up or as asked. */
export function mapLink(
  ref: string,
  { tonic, scale }: KeyQuestion,
  more: Readonly<Record<string, string>> = {},
): string {
  return `/map?${new URLSearchParams({ on: ref, in: tonic, play: scale, ...more }).toString()}`;
}
