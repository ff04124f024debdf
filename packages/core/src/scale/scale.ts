import {
  letterAbove,
  notePitchClass,
  spellAs,
  flatName,
  sharpName,
  parseNote,
  type NoteName,
} from '../pitch/noteName.ts';
import { pitchClass, type PitchClass } from '../pitch/pitch.ts';
import { fail, ok, shown, type Result } from '../result.ts';
import { SCALE_CATALOGUE, SCALE_GROUPS, type CatalogueRow, type ScaleGroup } from './catalogue.ts';
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

function fromRow(row: CatalogueRow): Scale {
  const formula = parseFormula(row.formula);
  if (!formula.ok)
    throw new Error(`catalogue formula of ${row.id} is wrong: ${formula.problems[0]!.message}`);
  return build(row.id, row.name, row.group, formula.value, row.aliases ?? [], row.note);
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
export const SCALES: readonly Scale[] = Object.freeze(SCALE_CATALOGUE.map(fromRow));
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

/** The steps from each note to the next in cents, the last one up to the octave: multiples of 100. */
export function stepCents(scale: Scale): readonly number[] {
  return scale.semitones.map((s, i) => ((scale.semitones[i + 1] ?? 12) - s) * 100);
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

/** A scale's notes from a tonic, in formula order, each letter as the formula's degree numbers give it. */
export function spellScale(scale: Scale, tonic: NoteName): readonly NoteName[] {
  const home = notePitchClass(tonic);
  return scale.degrees.map((d, i) =>
    spellAs(letterAbove(tonic.letter, d.number - 1), pitchClass(home + scale.semitones[i]!)),
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

/** The tonic spelling of a pitch class that gives the scale the fewest sharps and flats; ties as harmonica keys are written. */
export function usualTonic(scale: Scale, pc: PitchClass): NoteName {
  const usual = USUAL_KEYS[pitchClass(pc)]!;
  const candidates = [usual, sharpName(pc), flatName(pc)];
  const count = (tonic: NoteName) =>
    spellScale(scale, tonic).reduce((sum, n) => sum + Math.abs(n.accidental), 0);
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

/** Places a scale on a tonic. Outside notes are named with sharps in sharp keys and with flats in all others. */
export function keyOf(scale: Scale, tonic: NoteName): Key {
  const home = notePitchClass(tonic);
  const notes = spellScale(scale, tonic);
  const sum = notes.reduce((total, n) => total + n.accidental, 0);
  const indexOf = Array.from({ length: 12 }, (_, s) => {
    const index = scale.semitones.indexOf(s);
    return index < 0 ? undefined : index;
  });
  const outside = sum > 0 ? sharpName : flatName;
  const names = indexOf.map((i, s) => (i === undefined ? outside(pitchClass(home + s)) : notes[i]!));
  const degrees = indexOf.map((i, s) => (i === undefined ? CHROMATIC_DEGREES[s]! : scale.degrees[i]!));
  return { scale, tonic, home, notes, indexOf, names, degrees };
}

/** Semitones 0…11 of a pitch above the key's home. */
export function aboveHome(key: Key, pitch: number): number {
  return pitchClass(pitch - key.home);
}
