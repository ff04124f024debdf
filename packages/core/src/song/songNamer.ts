import { degreeOf } from '../harmony/chord.ts';
import { noteText, pitchText, respell, type NamingStyle, type NoteName } from '../pitch/noteName.ts';
import { soundingPitch } from '../pitch/spelledPitch.ts';
import type { Pitch } from '../pitch/pitch.ts';
import { degreeText } from '../scale/degree.ts';
import { namer, type Namer } from '../scale/namer.ts';
import type { Key } from '../scale/scale.ts';
import { melodyOf, type Song } from './song.ts';

/**
 * Names as the song writes its notes, and all others as the key has them, so that staff, tab and drawing agree: the G♯ of
 * an E7 in C is a G♯ everywhere. Of two names for one pitch the first counts.
 */
export function songNamer(song: Song, key: Key, naming: NamingStyle): Namer {
  const own = namer(key, naming);
  const written = new Map<Pitch, NoteName>();
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
