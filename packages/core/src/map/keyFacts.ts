import { counted } from '../words.ts';
import { noteText, noteCode, respell, spellAs, letterAbove, type NamingStyle } from '../pitch/noteName.ts';
import { keySignature } from '../pitch/keySignature.ts';
import { pitchClass } from '../pitch/pitch.ts';
import { degreeSemitones, degreeText, type Degree } from '../scale/degree.ts';
import { againstMajor, formulaText } from '../scale/formula.ts';
import { modeOf, spellScale, stepCents, usualTonic, type Key } from '../scale/scale.ts';

/** What a teacher says about a scale on a tonic. */
export interface KeyFacts {
  readonly notes: readonly string[];
  readonly formula: string;
  /** `3, 6 and 7 lowered`. */
  readonly againstMajor: string;
  /** Cents from each note to the next, the last up to the octave. */
  readonly steps: readonly number[];
  /** `~3 lies between ♭3 and 3, 300 to 400 cents above home`, for notes that do. */
  readonly between: readonly string[];
  /** `2nd mode of D♭ major`: parent, its tonic and the degree. */
  readonly mode: string | undefined;
  /** `5 flats: B♭ E♭ A♭ D♭ G♭`, where the scale has a key signature. */
  readonly signature: string | undefined;
  /** How the signature gives the tonic of its major key. */
  readonly rule: string | undefined;
  /** Said of names that mean different things to different people. */
  readonly note: string | undefined;
  /** The tonic under which the same scale has fewer sharps or flats, as text and as a code for links. */
  readonly simpler: { readonly text: string; readonly code: string } | undefined;
}

export function keyFacts(key: Key, naming: NamingStyle): KeyFacts {
  const { scale, tonic } = key;
  const mode = modeOf(scale);
  const parentTonic =
    mode &&
    spellAs(
      letterAbove(tonic.letter, 1 - mode.parent.degrees[mode.degree - 1]!.number),
      pitchClass(key.home - mode.semitones),
    );
  const parent = mode && parentTonic ? `${noteText(parentTonic)} ${mode.parent.name}` : undefined;
  const major = scale.id === 'major' ? tonic : mode?.parent.id === 'major' ? parentTonic : undefined;
  const signature = major && keySignature(major);
  return {
    notes: key.notes.map((note) => noteText(respell(note, naming))),
    formula: formulaText(scale.degrees),
    againstMajor: againstMajor(scale.degrees),
    steps: stepCents(scale),
    between: scale.degrees.filter((degree) => degree.between).map(betweenText),
    mode: mode && parent ? `mode ${mode.degree} of ${parent}` : undefined,
    signature: signature && signatureText(signature.altered.map(noteText), signature.fifths),
    rule: signature?.rule,
    note: scale.note,
    simpler: simplerTonic(key),
  };
}

function betweenText(degree: Degree): string {
  const { number, alter } = degree;
  const low = degreeSemitones(degree);
  const neighbours = [
    { number, alter: alter - 1 },
    { number, alter },
  ]
    .map(degreeText)
    .join(' and ');
  return `${degreeText(degree)} lies between ${neighbours}, ${100 * low} to ${100 * (low + 1)} cents above home`;
}

function signatureText(altered: readonly string[], fifths: number): string {
  if (fifths === 0) return 'no sharps or flats';
  const count = Math.abs(fifths);
  const kind = fifths > 0 ? 'sharp' : 'flat';
  return `${counted(count, kind)}: ${altered.join(' ')}`;
}

/** Offered only where the spelling needs a double sharp or flat. */
function simplerTonic(key: Key): KeyFacts['simpler'] {
  if (!key.notes.some((note) => Math.abs(note.accidental) > 1)) return undefined;
  const usual = usualTonic(key.scale, key.home);
  if (noteCode(usual) === noteCode(key.tonic)) return undefined;
  const worst = (notes: readonly { accidental: number }[]) =>
    Math.max(...notes.map((n) => Math.abs(n.accidental)));
  if (worst(spellScale(key.scale, usual)) >= worst(key.notes)) return undefined;
  return { text: noteText(usual), code: noteCode(usual) };
}
