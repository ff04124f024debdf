import * as v from 'valibot';
import type { Family } from '../families/contract.ts';
import { soundingPitch } from '../pitch/spelledPitch.ts';
import type { Pitch } from '../pitch/pitch.ts';
import type { Result } from '../result.ts';
import { checkPreferences, defaultPreferences } from '../route/preferences.ts';
import { PIN } from '../route/pin.ts';
import { checkedBy, fields, list, oneOf, parse, text, whole } from '../schema.ts';
import { CHOSEN_FIGURE } from './figure.ts';
import { FULLNESSES, STYLES } from './accompany.ts';
import { mapNotes, melodyOf, type Song } from './song.ts';
import { tiedFrom } from './songLine.ts';
import { isMode, movedTo } from './inMode.ts';
import { spelledForSong } from './transpose.ts';

export const TRANSPOSE_RANGE = Object.freeze({ lowest: -48, highest: 48 });
const LIST_LIMIT = 2_000;

const { lowest, highest } = TRANSPOSE_RANGE;
const ID = text(80, 1);

const DECISION = v.variant(
  'kind',
  [
    /** By semitones: an octave or a step. */
    fields({ noteId: ID, kind: v.literal('move'), by: whole(lowest, highest) }),
    fields({ noteId: ID, kind: v.literal('leave') }),
  ],
  'A decision moves a note or leaves it out.',
);

const ADDS = fields({
  style: oneOf(STYLES, `What is played with the melody is one of ${STYLES.join(', ')}.`),
  fullness: oneOf(FULLNESSES, `How much is added is one of ${FULLNESSES.join(', ')}.`),
  /** Ids of added notes that are left out. */
  without: v.exactOptional(list(ID, LIST_LIMIT), []),
});

const NO_MODE = 'A mode is a scale of seven degrees.';

function planSchema(family: Family) {
  return fields({
    /**
     * Semitones from where it is written, octaves included; 0 is as written. Left out where nobody chose: then it is
     * played in the octave in which most of it can be had (`openingOctave`).
     */
    transpose: v.exactOptional(whole(lowest, highest, `Move it by ${lowest} to ${highest} semitones.`)),
    /** Id of the scale into which it is put by its degrees; its own when left out. */
    mode: v.exactOptional(v.pipe(v.string(NO_MODE), v.check(isMode, NO_MODE))),
    preferences: v.pipe(
      v.unknown(),
      checkedBy((stored) => checkPreferences(family, stored)),
    ),
    pins: v.exactOptional(list(PIN, LIST_LIMIT), []),
    /** What is played with the melody; nothing when left out. */
    adds: v.exactOptional(ADDS),
    decisions: v.exactOptional(list(DECISION, LIST_LIMIT), []),
    /** Ornaments, one a note at most; none when left out. */
    figures: v.exactOptional(list(CHOSEN_FIGURE, LIST_LIMIT)),
  });
}

/** What is done about one note that cannot be had as it is written. */
export type Decision = v.InferOutput<typeof DECISION>;

/** What is played with a melody. */
export interface Adds extends v.InferOutput<typeof ADDS> {}

/** How a song is played on one instrument. */
export interface ArrangementPlan extends v.InferOutput<ReturnType<typeof planSchema>> {}

/** A plan whose transposition is settled. */
export type PlacedPlan = ArrangementPlan & { readonly transpose: number };

export function plainPlan(family: Family): ArrangementPlan {
  return { preferences: defaultPreferences(family), pins: [], decisions: [] };
}

/** Checks a stored or linked plan against a family. Problem fields are the plan's own. */
export function checkPlan(family: Family, stored: unknown): Result<ArrangementPlan> {
  return parse(planSchema(family), stored);
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
