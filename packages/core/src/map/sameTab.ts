import type { Way } from '../families/way.ts';
import type { Instrument } from '../instrument/instrument.ts';
import { noteCode } from '../pitch/noteName.ts';
import { pitchClass, type Pitch } from '../pitch/pitch.ts';
import { checkQuestion, storedQuestion, type Question, type StoredQuestion } from '../question/question.ts';
import { expectOk } from '../result.ts';
import type { LineRange } from '../route/range.ts';
import type { Pin } from '../route/pin.ts';
import { routeLine, type RouteNote } from '../route/route.ts';
import { CHROMATIC_DEGREES } from '../scale/degree.ts';
import { formulaText } from '../scale/formula.ts';
import { fitsFrom } from '../scale/identify.ts';
import { aboveHome, customScale, usualTonic, type Key, type Scale } from '../scale/scale.ts';
import { prepareMap } from './prepareMap.ts';
import { sameTabOn } from './sameTabOn.ts';

/** What comes out when the tab of a question is played on another instrument of its family. */
export interface SameTab {
  /** Asks there for the key that comes out, with the tab's ways pinned where another one would be chosen. */
  readonly question: StoredQuestion;
  /** Notes of the tab that are the same there, of how many. */
  readonly kept: number;
  readonly of: number;
}

/** A note of the line, and the way of the same tab on the other instrument; undefined where there is none. */
interface Moved {
  readonly note: RouteNote;
  readonly there: Way | undefined;
}

/**
 * The tab of a question on another instrument of the same family: the same holes, buttons or frets, whatever key comes
 * out. Where the two are laid out alike the scale stays and only home moves; otherwise the scale is what sounds.
 * Undefined where nothing of it can be played there.
 */
export function sameTab(from: Instrument, question: Question, to: Instrument): SameTab | undefined {
  const { key, context, limits, line } = prepareMap(from, question);
  if (!limits || from.family.id !== to.family.id) return undefined;
  const { notes } = routeLine(context, line, { pins: question.pins });
  const there = sameTabOn(from, to);
  const moved = notes.map((note): Moved => ({ note, there: note.way && there(note.way) }));
  const shift = shiftOfHome(key, moved);
  if (shift === undefined) return undefined;
  const asThere = {
    ...storedQuestion(question),
    ...keyThere(key, shift, moved),
    range: rangeThere(question.range, limits.low, shift),
    pins: [],
  };
  return pinned(to, asThere, moved);
}

/** Semitones by which home moves; where home is not in the tab, those by which its first note does. */
function shiftOfHome(key: Key, moved: readonly Moved[]): number | undefined {
  const had = moved.filter(({ there }) => there !== undefined);
  const first = had.find(({ note }) => aboveHome(key, note.pitch) === 0) ?? had[0];
  return first && first.there!.pitch - first.note.pitch;
}

/** The same scale where every note moves as home does, or else the scale of what sounds. */
function keyThere(key: Key, shift: number, moved: readonly Moved[]): Pick<StoredQuestion, 'tonic' | 'scale'> {
  const home = pitchClass(key.home + shift);
  const isAlike = moved.every(({ note, there }) => there === undefined || there.pitch === note.pitch + shift);
  const scale = isAlike ? key.scale : scaleFrom(home, moved);
  return { tonic: noteCode(usualTonic(scale, home)), scale: scale.id };
}

function scaleFrom(home: number, moved: readonly Moved[]): Scale {
  const sounding = new Set([home, ...moved.flatMap(({ there }) => (there ? [pitchClass(there.pitch)] : []))]);
  const [known] = fitsFrom(sounding, home, 0);
  if (known) return known.scale;
  const degrees = CHROMATIC_DEGREES.filter((_, semitones) => sounding.has(pitchClass(home + semitones)));
  return expectOk(customScale(formulaText(degrees)));
}

function rangeThere(range: LineRange, low: Pitch, shift: number): LineRange {
  switch (range.kind) {
    case 'whole':
      return range;
    case 'between':
      return { kind: 'between', low: range.low + shift, high: range.high + shift };
    case 'octaves':
      return { ...range, from: low - (range.start ?? 0) + shift };
  }
}

/** The question with the tab's ways pinned where the route there would take others. */
function pinned(to: Instrument, there: StoredQuestion, moved: readonly Moved[]): SameTab | undefined {
  const checked = checkQuestion(to.family, there);
  // Moved so far that it can no longer be asked.
  if (!checked.ok) return undefined;
  const { context, line } = prepareMap(to, checked.value);
  const isSameLine =
    line.length === moved.length && line.every(({ pitch }, i) => (moved[i]!.there?.pitch ?? pitch) === pitch);
  const route = routeLine(context, line).notes;
  const pins = route.flatMap(({ id, way }, i) => {
    const { note, there: wanted } = moved[i] ?? {};
    if (!isSameLine || !wanted || (way?.id === wanted.id && !note!.pinned)) return [];
    return [pinOf(id, wanted, note!.fingering)];
  });
  const played = pins.length > 0 ? routeLine(context, line, { pins }).notes : route;
  const kept = played.filter(({ way }, i) => way && way.id === moved[i]?.there?.id).length;
  return { question: { ...there, pins }, kept, of: moved.filter(({ note }) => note.way).length };
}

function pinOf(noteId: string, way: Way, fingering: string | undefined): Pin {
  return { noteId, wayId: way.id, ...(fingering === undefined ? {} : { fingering }) };
}
