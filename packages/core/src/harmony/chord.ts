import {
  accidentalText,
  letterAbove,
  letterSteps,
  notePitchClass,
  noteText,
  parseNote,
  spellAs,
  type NoteName,
} from '../pitch/noteName.ts';
import { pitchClass, type PitchClass } from '../pitch/pitch.ts';
import { fail, ok, shown, type Result } from '../result.ts';
import { alterOf, degreeSemitones, MAJOR_STEPS, type Degree } from '../scale/degree.ts';
import { isMinor, minorOf, qualityById, qualityOf, type Quality, type QualityId } from './qualities.ts';

/**
 * A chord as it stands to home, so that it moves with the key. Written by degree (`♭VII7`, `4m`, `1/3`) or, where the
 * tonic is known, by name (`Am7♭5`, `C/E`). `N.C.` is a chord without tones.
 */
export interface Chord {
  /** Undefined for no chord. */
  readonly root: Degree | undefined;
  readonly quality: QualityId;
  /** The lowest note where it is not the root. */
  readonly bass: Degree | undefined;
  /** By degree: `♭VII7`, `ii`, `N.C.`. */
  readonly name: string;
  /** Semitones above home, root first. */
  readonly tones: readonly PitchClass[];
}

export const NO_CHORD: Chord = Object.freeze({
  root: undefined,
  quality: '',
  bass: undefined,
  name: 'N.C.',
  tones: Object.freeze([]),
});

const ROMAN = Object.freeze(['I', 'II', 'III', 'IV', 'V', 'VI', 'VII']);

/** A chord on a degree. */
export function chordOn(root: Degree, quality: QualityId, bass?: Degree): Chord {
  const found = qualityById(quality);
  const at = degreeSemitones(root);
  return {
    root,
    quality,
    bass,
    name: numeral(root, found) + (bass ? `/${degreeName(bass)}` : ''),
    tones: found.tones.map((tone) => pitchClass(at + tone)),
  };
}

function degreeName({ number, alter }: Degree): string {
  return accidentalText(alter) + String(number);
}

/** Capitals for a major third, small letters for a minor one, which the ending then need not say. */
function numeral({ number, alter }: Degree, quality: Quality): string {
  const minor = isMinor(quality);
  const roman = ROMAN[number - 1]!;
  const ending = minor && quality.id.startsWith('m') ? quality.id.slice(1) : quality.id;
  return accidentalText(alter) + (minor ? roman.toLowerCase() : roman) + ending;
}

/** The chord by its name in a key: `E♭m7`, `C/E`. */
export function chordSymbol({ root, quality, bass }: Chord, tonic: NoteName): string {
  if (!root) return NO_CHORD.name;
  const ending = quality === 'mmaj7' ? 'm(maj7)' : quality === 'madd9' ? 'm(add9)' : quality;
  const named = noteText(noteAt(root, tonic)) + ending;
  return bass ? `${named}/${noteText(noteAt(bass, tonic))}` : named;
}

/** The note of a degree in a key. */
export function noteAt(degree: Degree, tonic: NoteName): NoteName {
  return spellAs(
    letterAbove(tonic.letter, degree.number - 1),
    pitchClass(notePitchClass(tonic) + degreeSemitones(degree)),
  );
}

/** The degree of a note against the major scale of a tonic. */
export function degreeOf(note: NoteName, tonic: NoteName): Degree {
  const number = letterSteps(tonic.letter, note.letter) + 1;
  const above = pitchClass(notePitchClass(note) - notePitchClass(tonic) - MAJOR_STEPS[number - 1]!);
  return { number, alter: above > 6 ? above - 12 : above };
}

const NONE = /^(n\.?c\.?|no chord)$/i;
const SIGNS = '[b♭#♯]{0,2}';
const BY_DEGREE = new RegExp(
  `^(?<signs>${SIGNS})(?<number>VII|VI|IV|V|III|II|I|vii|vi|iv|v|iii|ii|i|[1-7])(?<ending>[^/]*|6/9)(?:/(?<bass>${SIGNS}[1-7]))?$`,
  'u',
);
const BY_NAME = new RegExp(`^(?<root>[A-G]${SIGNS})(?<ending>[^/]*|6/9)(?:/(?<bass>[A-G]${SIGNS}))?$`, 'u');

/**
 * Reads one chord by degree or by name; a capital A to G begins a name, all else a degree.
 * @param tonic the home of names; where it is left out they are refused
 */
export function parseChord(text: string, tonic?: NoteName): Result<Chord> {
  const token = text.trim();
  if (NONE.test(token)) return ok(NO_CHORD);
  const wrong = (message: string) => fail({ field: '', position: 0, wrong: shown(token), message });
  const degrees = BY_DEGREE.exec(token)?.groups;
  if (degrees) {
    const { signs = '', number = '', ending = '', bass } = degrees;
    const written = qualityOf(ending);
    if (written) {
      const quality = /^[iv]/.test(number) ? minorOf(written) : written;
      const digit = /\d/.test(number) ? Number(number) : ROMAN.indexOf(number.toUpperCase()) + 1;
      return ok(
        chordOn({ number: digit, alter: alterOf(signs) }, quality.id, bass ? readDegree(bass) : undefined),
      );
    }
  }
  const named = BY_NAME.exec(token)?.groups;
  const quality = named && qualityOf(named['ending'] ?? '');
  if (!named || !quality)
    return wrong(
      `“${shown(token)}” is no chord: write degrees like 1 4 5, I IV V7, ii, b7, 6m, or names like Am7.`,
    );
  if (!tonic)
    return wrong(`“${shown(token)}” is a chord by name: here chords are written by degree, such as 1 or ii.`);
  const note = (name: string) => {
    const found = parseNote(name);
    return found.ok ? degreeOf(found.value, tonic) : undefined;
  };
  return ok(chordOn(note(named['root']!)!, quality.id, named['bass'] ? note(named['bass']) : undefined));
}

function readDegree(text: string): Degree {
  return { number: Number(text.at(-1)), alter: alterOf(text.slice(0, -1)) };
}

/** Every tone of some chords, once each. */
export function tonesOf(chords: readonly Chord[]): readonly PitchClass[] {
  return [...new Set(chords.flatMap((chord) => chord.tones))];
}

/** The chord that a symbol names in a key; undefined where it names none, as `N.C.` does. */
export function chordNamed(symbol: string, tonic: NoteName): Chord | undefined {
  const chord = parseChord(symbol, tonic);
  return chord.ok && chord.value.root ? chord.value : undefined;
}
