import type { Instrument, Way } from '@same-song/core/instruments';
import { noteText, spelledOctave } from '@same-song/core/music';

/** What stands on a way where no key is asked: its note, large, and the octave beside it. */
export function pitchChip(instrument: Instrument, way: Way) {
  const called = instrument.nameOf(way);
  return { degree: noteText(called), note: String(spelledOctave(called, way.pitch)) };
}
