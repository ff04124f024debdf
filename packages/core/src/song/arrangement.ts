import type { Family } from '../families/contract.ts';
import { soundingPitch } from '../pitch/spelledPitch.ts';
import type { Pitch } from '../pitch/pitch.ts';
import { fail, isRecord, ok, shown, under, type Problem, type Result } from '../result.ts';
import { checkPreferences, defaultPreferences, type Preferences } from '../route/preferences.ts';
import type { Pin } from '../route/pin.ts';
import type { ChosenFigure } from './figure.ts';
import { FULLNESSES, type Fullness } from './accompany.ts';
import { mapNotes, melodyOf, type Song } from './song.ts';
import { tiedFrom } from './songLine.ts';
import { isMode, movedTo } from './inMode.ts';
import { spelledForSong } from './transpose.ts';

/** What is done about one note that cannot be had as it is written. */
export type Decision =
  | {
      readonly noteId: string;
      readonly kind: 'move';
      /** Semitones, an octave or a step. */ readonly by: number;
    }
  | { readonly noteId: string; readonly kind: 'leave' };

/** What is played with a melody. */
export interface Adds {
  readonly fullness: Fullness;
  /** Ids of added notes that are left out. */
  readonly without: readonly string[];
}

/** How a song is played on one instrument. */
export interface ArrangementPlan {
  /**
   * Semitones from where it is written, octaves included; 0 is as written. Left out where nobody chose: then it is played
   * in the octave in which most of it can be had (`openingOctave`).
   */
  readonly transpose?: number;
  /** Id of the scale into which it is put by its degrees; its own when left out. */
  readonly mode?: string;
  readonly preferences: Preferences;
  readonly pins: readonly Pin[];
  /** What is played with the melody; nothing when left out. */
  readonly adds?: Adds;
  readonly decisions: readonly Decision[];
  /** Ornaments, one a note at most; none when left out. */
  readonly figures?: readonly ChosenFigure[];
}

/** A plan whose transposition is settled. */
export type PlacedPlan = ArrangementPlan & { readonly transpose: number };

export const TRANSPOSE_RANGE = Object.freeze({ lowest: -48, highest: 48 });
const LIST_LIMIT = 2_000;

export function plainPlan(family: Family): ArrangementPlan {
  return { preferences: defaultPreferences(family), pins: [], decisions: [] };
}

/** Checks a stored or linked plan against a family. Problem fields are the plan's own. */
export function checkPlan(family: Family, stored: unknown): Result<ArrangementPlan> {
  if (!isRecord(stored)) return fail({ field: '', wrong: shown(stored), message: 'This is no arrangement.' });
  const { transpose, mode, adds, pins = [], decisions = [], figures = [] } = stored;
  const problems: Problem[] = [];
  const { lowest, highest } = TRANSPOSE_RANGE;
  const inRange = Number.isInteger(transpose) && Number(transpose) >= lowest && Number(transpose) <= highest;
  if (transpose !== undefined && !inRange)
    problems.push({
      field: 'transpose',
      wrong: shown(transpose),
      message: `Move it by ${lowest} to ${highest} semitones.`,
    });
  if (mode !== undefined && !(typeof mode === 'string' && isMode(mode)))
    problems.push({ field: 'mode', wrong: shown(mode), message: 'A mode is a scale of seven degrees.' });
  const preferences = checkPreferences(family, stored['preferences']);
  if (!preferences.ok) problems.push(...under('preferences', preferences.problems));
  const list = <T>(
    field: string,
    value: unknown,
    sound: (item: Record<string, unknown>) => boolean,
  ): readonly T[] => {
    const good =
      Array.isArray(value) &&
      value.length <= LIST_LIMIT &&
      value.every((item) => isRecord(item) && sound(item));
    if (!good) problems.push({ field, wrong: shown(value), message: `These ${field} cannot be understood.` });
    return (good ? value : []) as readonly T[];
  };
  const name = (value: unknown) => typeof value === 'string' && value.length > 0 && value.length <= 80;
  const given: unknown = isRecord(adds) ? (adds['without'] ?? []) : [];
  const without = Array.isArray(given) && given.length <= LIST_LIMIT && given.every(name) ? given : undefined;
  const fullness = isRecord(adds) ? FULLNESSES.find((one) => one === adds['fullness']) : undefined;
  if (adds !== undefined && !(fullness && without))
    problems.push({
      field: 'adds',
      wrong: shown(adds),
      message: `What is added is one of ${FULLNESSES.join(', ')}.`,
    });
  const checkedPins = list<Pin>(
    'pins',
    pins,
    ({ noteId, wayId, fingering }) =>
      name(noteId) && name(wayId) && (fingering === undefined || name(fingering)),
  );
  const checkedDecisions = list<Decision>(
    'decisions',
    decisions,
    ({ noteId, kind, by }) =>
      name(noteId) &&
      (kind === 'leave' || (kind === 'move' && Number.isInteger(by) && Math.abs(Number(by)) <= 48)),
  );
  const checkedFigures = list<ChosenFigure>(
    'figures',
    figures,
    ({ noteId, wayIds }) =>
      name(noteId) && Array.isArray(wayIds) && wayIds.length > 0 && wayIds.length <= 8 && wayIds.every(name),
  );
  if (problems.length > 0 || !preferences.ok) return fail(...problems);
  return ok({
    ...(transpose !== undefined && { transpose: transpose as number }),
    ...(mode !== undefined && { mode: mode as string }),
    preferences: preferences.value,
    ...(fullness && without && { adds: { fullness, without: without as readonly string[] } }),
    pins: checkedPins,
    decisions: checkedDecisions,
    ...(checkedFigures.length > 0 && { figures: checkedFigures }),
  });
}

/** The song as it is played by a plan whose place is settled: moved, and what was decided about single notes carried out. */
export function arranged(
  song: Song,
  { transpose, mode, decisions }: Pick<PlacedPlan, 'transpose' | 'mode' | 'decisions'>,
): Song {
  const moved = movedTo(song, transpose, mode);
  if (decisions.length === 0) return moved;
  const decided = new Map(decisions.map((decision) => [decision.noteId, decision]));
  const [key] = moved.keys;
  // What is decided about a note goes for all that is tied to it.
  const first = tiedFrom(melodyOf(moved).voice);
  return mapNotes(moved, (note) => {
    const decision = decided.get(first.get(note.id) ?? note.id);
    if (!decision) return note;
    if (decision.kind === 'leave') return [];
    const pitch: Pitch = soundingPitch(note.pitch) + decision.by;
    const octaves = decision.by % 12 === 0;
    const spelled = octaves
      ? { ...note.pitch, octave: note.pitch.octave + decision.by / 12 }
      : spelledForSong(pitch, key!);
    return pitch < 0 || pitch > 127 ? note : { ...note, pitch: spelled };
  });
}
