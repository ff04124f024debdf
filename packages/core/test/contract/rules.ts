import { DRAWING_RULES } from './drawn.ts';
import { EFFORT_RULES } from './effort.ts';
import { LAYOUT_RULES } from './layouts.ts';
import { PLAYING_RULES } from './playing.ts';
import type { Rule } from './rule.ts';
import { WORD_RULES } from './words.ts';

/** The family contract: what every family must keep. */
export const RULES: readonly Rule[] = [
  ...LAYOUT_RULES,
  ...PLAYING_RULES,
  ...EFFORT_RULES,
  ...DRAWING_RULES,
  ...WORD_RULES,
];
