import {
  letterAbove,
  notePitchClass,
  spellAs,
  flatName,
  sharpName,
  parseNote,
  respell,
  type NoteName,
} from '../pitch/noteName.ts';
import { pitchClass, type PitchClass } from '../pitch/pitch.ts';
import { fail, ok, shown, type Result } from '../result.ts';
import {
  SCALE_CATALOGUE,
  SCALE_GROUP_IDS,
  SCALE_GROUPS,
  type CatalogueRow,
  type ScaleGroup,
} from './catalogue.ts';
import { CHROMATIC_DEGREES, degreeSemitones, type Degree } from './degree.ts';
import { formulaCode, formulaText, parseFormula } from './formula.ts';

/** A scale: a formula of degrees from home, with the name a teacher would look it up by. */
export interface Scale {
  /** Catalogue id, or `custom:` and the formula. */
  readonly id: string;
  readonly name: string;
  readonly group: ScaleGroup | 'custom';
  readonly aliases: readonly string[];
  readonly note: string | undefined;
  readonly degrees: readonly Degree[];
  /** Semitones from home, rising, the first 0, all under 12. */
  readonly semitones: readonly number[];
}

/** A scale that is a rotation of another: its parent and the degree of the parent on which it starts. */
export interface ModeOf {
  readonly parent: Scale;
  /** 1-based degree of the parent. */
  readonly degree: number;
  /** Semitones from the parent's home up to this scale's home. */
  readonly semitones: number;
}

function fromRow(row: CatalogueRow, group: ScaleGroup): Scale {
  const formula = parseFormula(row.formula);
  if (!formula.ok)
    throw new Error(`catalogue formula of ${row.id} is wrong: ${formula.problems[0]!.message}`);
  return build(row.id, row.name, group, formula.value, row.aliases, row.note);
}

function build(
  id: string,
  name: string,
  group: Scale['group'],
  degrees: readonly Degree[],
  aliases: readonly string[] = [],
  note?: string,
): Scale {
  return Object.freeze({ id, name, group, aliases, note, degrees, semitones: degrees.map(degreeSemitones) });
}

/** All catalogued scales in catalogue order. */
export const SCALES: readonly Scale[] = Object.freeze(
  SCALE_GROUP_IDS.flatMap((group) => SCALE_CATALOGUE[group].map((row) => fromRow(row, group))),
);
const BY_ID: ReadonlyMap<string, Scale> = new Map(SCALES.map((s) => [s.id, s]));

/** Name of the group a scale is listed under. */
export function scaleGroupName(scale: Scale): string {
  return scale.group === 'custom' ? 'Your own' : SCALE_GROUPS[scale.group];
}

/** A scale made from a typed formula; takes the catalogue's scale when the notes are spelled the same. */
export function customScale(text: string): Result<Scale> {
  const formula = parseFormula(text);
  if (!formula.ok) return formula;
  const code = formulaCode(formula.value);
  const known = SCALES.find((s) => formulaCode(s.degrees) === code);
  return ok(known ?? build(`custom:${code}`, formulaText(formula.value), 'custom', formula.value));
}

/** Finds a scale by the id kept in links and records: a catalogue id or `custom:1-2-b3`. */
export function scaleById(id: string): Result<Scale> {
  const known = BY_ID.get(id);
  if (known) return ok(known);
  if (id.startsWith('custom:')) return customScale(id.slice('custom:'.length).replaceAll('-', ' '));
  return fail({
    field: '',
    wrong: shown(id),
    message: `There is no scale “${shown(id)}”. Pick one from the list.`,
  });
}

/** The steps from each note to the next in cents, the last one up to the octave; a note in between taken at its middle. */
export function stepCents(scale: Scale): readonly number[] {
  const cents = scale.degrees.map((degree) => 100 * degreeSemitones(degree) + (degree.between ? 50 : 0));
  return cents.map((at, i) => (cents[i + 1] ?? 1200) - at);
}

/** Seven-note scales that others are called modes of. */
const PARENTS = [
  'major',
  'melodic-minor',
  'harmonic-minor',
  'harmonic-major',
  'double-harmonic',
  'major-pentatonic',
];

/** The parent of which this scale is a rotation, or undefined for a parent itself and for scales with none. */
export function modeOf(scale: Scale): ModeOf | undefined {
  if (scale.degrees.some((degree) => degree.between)) return undefined;
  for (const id of PARENTS) {
    const parent = BY_ID.get(id)!;
    if (parent.semitones.length !== scale.semitones.length) continue;
    if (parent.id === scale.id) return undefined;
    for (const [index, start] of parent.semitones.entries()) {
      const rotated = parent.semitones.map((s) => pitchClass(s - start)).sort((a, b) => a - b);
      if (rotated.every((s, i) => s === scale.semitones[i]))
        return { parent, degree: index + 1, semitones: start };
    }
  }
  return undefined;
}

/**
 * A scale's notes from a tonic, in formula order. Each letter is as the formula's degree numbers give it; but scales
 * with more notes than letters take simple names, and those with fewer do so where a note would be altered twice.
 */
export function spellScale(scale: Scale, tonic: NoteName): readonly NoteName[] {
  return scale.degrees.map((degree) => {
    const note = spellDegree(degree, tonic);
    const simple = scale.degrees.length > 7 || (scale.degrees.length < 7 && Math.abs(note.accidental) > 1);
    return simple ? respell(note, 'simple') : note;
  });
}

/** The note of a degree: its letter is the tonic's plus the degree. */
function spellDegree(degree: Degree, tonic: NoteName): NoteName {
  return spellAs(
    letterAbove(tonic.letter, degree.number - 1),
    pitchClass(notePitchClass(tonic) + degreeSemitones(degree)),
  );
}

/** The twelve usual key names as harmonica makers write them, from C. */
export const USUAL_KEYS: readonly NoteName[] = Object.freeze(
  ['C', 'Db', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'Ab', 'A', 'Bb', 'B'].map((text) => {
    const note = parseNote(text);
    if (!note.ok) throw new Error(`usual key ${text}`);
    return note.value;
  }),
);

/**
 * The tonic spelling of a pitch class that gives the scale the fewest sharps and flats; ties as harmonica keys are
 * written. A blues is in E♭, A♭ or B♭, never in D♯, G♯ or A♯.
 */
export function usualTonic(scale: Scale, pc: PitchClass): NoteName {
  const usual = USUAL_KEYS[pitchClass(pc)]!;
  if (scale.group === 'blues' && 'EAB'.includes(usual.letter) && usual.accidental < 0) return usual;
  const candidates = [usual, sharpName(pc), flatName(pc)];
  const { semitones } = scale;
  // A minor scale with its seventh raised is named as the natural one is: C♯ minor, G♯ minor.
  const isRaised = semitones.includes(3) && !semitones.includes(4) && semitones.includes(11);
  const named = isRaised ? BY_ID.get('natural-minor')! : scale;
  const count = (tonic: NoteName) =>
    spellScale(named, tonic).reduce((sum, n) => sum + Math.abs(n.accidental), 0);
  return candidates.reduce((best, next) => (count(next) < count(best) ? next : best));
}

/** A scale placed on a tonic, with what every other part asks of it by pitch class. */
export interface Key {
  readonly scale: Scale;
  readonly tonic: NoteName;
  readonly home: PitchClass;
  readonly notes: readonly NoteName[];
  /** Index in the scale for each of the 12 semitones above home: undefined where the scale has no note. */
  readonly indexOf: readonly (number | undefined)[];
  /** Name of each of the 12 semitones above home; scale notes as the scale spells them. */
  readonly names: readonly NoteName[];
  /** Degree of each of the 12 semitones above home. */
  readonly degrees: readonly Degree[];
}

/**
 * Places a scale on a tonic. A note outside is named by its degree, ♭3 in G as B♭; ♭5 is ♯4 where the scale is major or
 * its flat would be double, and what else would be altered twice takes its simple name. With more notes than letters
 * all names are simple.
 */
export function keyOf(scale: Scale, tonic: NoteName): Key {
  const home = notePitchClass(tonic);
  const notes = spellScale(scale, tonic);
  const indexOf = Array.from({ length: 12 }, (_, s) => {
    const index = scale.semitones.indexOf(s);
    return index < 0 ? undefined : index;
  });
  const isMajor = scale.semitones.includes(4) && !scale.semitones.includes(3);
  const outside = (degree: Degree): { degree: Degree; note: NoteName } => {
    const note = spellDegree(degree, tonic);
    if (degree.number === 5 && degree.alter < 0 && (isMajor || note.accidental < -1))
      return outside(RAISED_FOURTH);
    const simple = scale.degrees.length > 7 || Math.abs(note.accidental) > 1;
    return { degree, note: simple ? respell(note, 'simple') : note };
  };
  const inside = (i: number) => {
    const degree = scale.degrees[i]!;
    const isDouble = degree.number === 5 && degree.alter < 0 && spellDegree(degree, tonic).accidental < -1;
    // Under seven notes such a fifth has the simple name that a raised fourth has.
    return { degree: isDouble && scale.degrees.length < 7 ? RAISED_FOURTH : degree, note: notes[i]! };
  };
  const all = indexOf.map((i, s) => (i === undefined ? outside(CHROMATIC_DEGREES[s]!) : inside(i)));
  const names = all.map(({ note }) => note);
  const degrees = all.map(({ degree }) => degree);
  return { scale, tonic, home, notes, indexOf, names, degrees };
}

const RAISED_FOURTH: Degree = { number: 4, alter: 1 };

/** Semitones 0…11 of a pitch above the key's home. */
export function aboveHome(key: Key, pitch: number): number {
  return pitchClass(pitch - key.home);
}
