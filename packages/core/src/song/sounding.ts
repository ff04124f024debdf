import type { Pitch } from '../pitch/pitch.ts';

/** Something that sounds; times in seconds since the beginning. */
export interface Sounding {
  readonly kind: 'melody' | 'grace' | 'voice' | 'chord' | 'drone' | 'click';
  readonly at: number;
  readonly seconds: number;
  /** Of a click 1 on the first beat of a bar, otherwise 0. */
  readonly pitch: Pitch;
  /** Of a note of the melody, and of what is touched before and within it. */
  readonly noteId?: string;
  /** Of a note of the melody within which others are touched: seconds until the last of it ends. */
  readonly lasts?: number;
}
