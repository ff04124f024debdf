import type { Result } from '@same-song/core';
import { QUARTER, spelledIn, type SpelledPitch } from '@same-song/core/music';
import { fifthsOfSongKey } from '@same-song/core/song';
import { emptyDraft, finish, type DraftVoice, type Read } from './draft.ts';
import { guessKey } from './midi/guess.ts';

/** A pitch, a rest, a bar line, `with` between pitches that sound together, or one that is only touched before the next. */
export type Step = number | 'rest' | 'bar' | 'with' | { readonly touched: number };

/**
 * A song of equal notes, a quarter each, from pitches, rests and bar lines; what is only touched becomes a grace note;
 * the key is a guess. Where there is no bar line, a new bar begins after four.
 */
export function songOfPitches(steps: readonly Step[]): Result<Read> {
  const voice: DraftVoice = { id: '1', notes: [], tuplets: [] };
  const draft = emptyDraft('');
  draft.parts.push({ id: '1', name: '', percussion: false, voices: [voice] });
  draft.metres.push({ bar: 0, at: 0, count: 4, unit: 4 });
  const pitches = steps.filter((step) => typeof step === 'number');
  const key = guessKey(pitches.map((pitch, i) => ({ pitch, onset: i, length: 1 })));
  draft.keys.push({ bar: 0, at: 0, ...key });
  const barred = steps.includes('bar');
  const fifths = fifthsOfSongKey(key);
  let at = 0;
  /** What comes next sounds with the note before it. */
  let together = false;
  let touched: SpelledPitch[] = [];
  for (const step of steps) {
    if (typeof step === 'object') {
      touched.push(spelledIn(step.touched, fifths));
      continue;
    }
    if (step === 'with') {
      together = at > 0;
      if (together) at -= QUARTER;
      continue;
    }
    if (step === 'bar' || (!barred && at === 4 * QUARTER)) at = 0;
    if (step === 'bar') continue;
    if (at === 0 && !together) draft.bars.push({ length: 0 });
    if (step !== 'rest')
      voice.notes.push({
        bar: draft.bars.length - 1,
        at,
        length: QUARTER,
        pitch: spelledIn(step, fifths),
        ...(touched.length > 0 && { grace: touched }),
      });
    touched = [];
    together = false;
    at += QUARTER;
    draft.bars.at(-1)!.length = at;
  }
  return finish(draft, [{ text: 'It has no rhythm yet: every note is as long as the others.' }]);
}
