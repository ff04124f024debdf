import { degreeOf } from '../harmony/chord.ts';
import { noteText, pitchText, respell, type NamingStyle, type NoteName } from '../pitch/noteName.ts';
import { soundingPitch } from '../pitch/spelledPitch.ts';
import type { Pitch } from '../pitch/pitch.ts';
import { degreeText } from '../scale/degree.ts';
import { namer, type Namer } from '../scale/namer.ts';
import type { Key } from '../scale/scale.ts';
import type { Ticks } from '../time/ticks.ts';
import { melodyOf, type Song } from './song.ts';

/**
 * Names as the song writes its notes, and all others as the key has them, so that staff, tab and drawing agree: the G♯ of
 * an E7 in C is a G♯ everywhere. Of two names for one pitch the first counts.
 * @param here names that count before all others: of the notes at one time
 */
export function songNamer(
  song: Song,
  key: Key,
  naming: NamingStyle,
  here: ReadonlyMap<Pitch, NoteName> = new Map(),
): Namer {
  const own = namer(key, naming);
  const written = new Map<Pitch, NoteName>(here);
  for (const { pitch } of melodyOf(song).voice.notes) {
    const sounds = soundingPitch(pitch);
    const { letter, accidental } = pitch;
    if (!written.has(sounds)) written.set(sounds, { letter, accidental });
  }
  const spelled = (pitch: Pitch) => {
    const name = written.get(pitch);
    return name ? respell(name, naming) : own.spelled(pitch);
  };
  return {
    spelled,
    bare: (pitch) => noteText(spelled(pitch)),
    withOctave: (pitch) => pitchText(pitch, spelled(pitch)),
    degree: (pitch) => {
      const name = written.get(pitch);
      return name ? degreeText(degreeOf(name, key.tonic)) : own.degree(pitch);
    },
  };
}

/**
 * Of a song that writes a pitch in two ways, by time, the names of the notes that are not written as the first of their
 * pitch: C♯ going up and D♭ coming down.
 */
export function namesOtherwise(song: Song): ReadonlyMap<Ticks, ReadonlyMap<Pitch, NoteName>> {
  const first = new Map<Pitch, NoteName>();
  const otherwise = new Map<Ticks, Map<Pitch, NoteName>>();
  for (const { onset, pitch } of melodyOf(song).voice.notes) {
    const sounds = soundingPitch(pitch);
    const { letter, accidental } = pitch;
    const known = first.get(sounds);
    if (!known) first.set(sounds, { letter, accidental });
    else if (known.letter !== letter)
      otherwise.set(onset, (otherwise.get(onset) ?? new Map()).set(sounds, { letter, accidental }));
  }
  return otherwise;
}
