import { expectOk, fail, ok, type Problem, type Result } from '@same-song/core';
import {
  notePitchClass,
  pitchClass,
  QUARTER,
  scaleById,
  soundingPitch,
  spelledIn,
  usualTonic,
  type NoteName,
  type SpelledPitch,
  type Ticks,
} from '@same-song/core/music';
import {
  barStarts,
  checkSong,
  fifthsOfSongKey,
  SONG_LIMITS,
  type Bar,
  type Part,
  type Song,
  type SongKey,
  type SongNote,
  type Tuplet,
  type Voice,
} from '@same-song/core/song';
import type { Remark } from './remark.ts';

/** A time as files tell it: within a bar. */
export interface InBar {
  /** Index of the bar. */
  readonly bar: number;
  /** Ticks since that bar began. */
  readonly at: Ticks;
}

type At<T extends { readonly at: Ticks }> = Omit<T, 'at'> & InBar;

export type DraftNote = Omit<SongNote, 'id' | 'onset'> & InBar;

export interface DraftVoice {
  readonly id: string;
  readonly notes: DraftNote[];
  readonly tuplets: (Omit<Tuplet, 'onset'> & InBar)[];
}

export interface DraftPart {
  readonly id: string;
  readonly name: string;
  readonly percussion: boolean;
  readonly voices: DraftVoice[];
}

/** A song while it is read: bars grow with what stands in them, and all times count from their bar. */
export interface Draft {
  title: string;
  composer: string;
  source: string;
  licence: string;
  tags: string[];
  /** `length` is what the longest voice has in it. */
  bars: { -readonly [K in keyof Bar]: Bar[K] }[];
  order?: readonly string[];
  keys: At<Song['keys'][number]>[];
  metres: At<Song['metres'][number]>[];
  tempos: At<Song['tempos'][number]>[];
  parts: DraftPart[];
  chords: At<Song['chords'][number]>[];
  phrases: InBar[];
  /** Id of the voice that is the melody; the first one when left out. */
  melody?: string;
}

export function emptyDraft(title: string): Draft {
  return {
    title,
    composer: '',
    source: '',
    licence: '',
    tags: [],
    bars: [],
    keys: [],
    metres: [],
    tempos: [],
    parts: [],
    chords: [],
    phrases: [],
  };
}

/** A note as a file has it that tells times rather than notation; in quarters from its beginning. */
export interface Heard {
  readonly part: string;
  readonly voice: string;
  readonly pitch: number;
  readonly start: number;
  readonly length: number;
  readonly percussion?: boolean;
}

export interface Read {
  readonly song: Song;
  /** What is heard, where the song's notation is a guess from it. */
  readonly heard?: readonly Heard[];
  readonly remarks: readonly Remark[];
}

/**
 * Makes a song of what was read: bars follow each other, notes of a voice that overlap are shortened or parted among
 * voices, every note gets an id, the first voice with notes is the melody.
 */
export function finish(draft: Draft, remarks: readonly Remark[]): Result<Read> {
  const said = [...remarks];
  const tooMuch = beyondLimits(draft);
  if (tooMuch) return fail({ field: '', wrong: draft.title.slice(0, 40), message: tooMuch });
  const starts = barStarts(draft);
  const bars = withoutEmpty(draft.bars);
  const when = ({ bar, at }: InBar) => Math.min(starts[bar] ?? 0, starts.at(-1)!) + at;
  const placed = <T extends InBar>({ bar, at, ...rest }: T) => ({ ...rest, at: when({ bar, at }) });
  let count = 0;
  const parts = draft.parts.flatMap((part): Part[] => {
    const voices = part.voices
      .flatMap((voice) => parted(voice, when, said))
      .map((voice): Voice => ({
        ...voice,
        notes: voice.notes.map((note) => ({ ...note, id: `n${(count += 1)}` })),
      }));
    if (voices.every(({ notes }) => notes.length === 0)) return [];
    const { id, name, percussion } = part;
    return [
      { id, name, ...(percussion && { percussion }), voices: voices.filter(({ notes }) => notes.length > 0) },
    ];
  });
  const first = parts.find((part) => !part.percussion) ?? parts[0];
  if (!first) return fail(noNotes(said));
  const song = {
    title: draft.title.trim() || 'Without a title',
    composer: draft.composer,
    source: draft.source,
    licence: draft.licence,
    tags: draft.tags,
    keys: changes(draft.keys.map(placed), { at: 0, tonic: { letter: 'C', accidental: 0 }, scale: 'major' }),
    metres: changes(draft.metres.map(placed)),
    tempos: changes(draft.tempos.map(placed)),
    bars,
    ...(draft.order && { order: draft.order }),
    parts,
    melody: parts.some(({ voices }) => voices.some(({ id }) => id === draft.melody))
      ? draft.melody
      : first.voices[0]!.id,
    chords: changes(draft.chords.map(placed)),
    phrases: [...new Set(draft.phrases.map(when))],
  };
  const checked = checkSong(song);
  return checked.ok ? ok({ song: checked.value, remarks: said }) : checked;
}

/** What of a song is more than one song may hold, as a sentence. */
function beyondLimits({ bars, parts }: Draft): string | undefined {
  const voices = parts.flatMap((part) => part.voices);
  const notes = voices.reduce((sum, voice) => sum + voice.notes.length, 0);
  const longest = bars.findIndex(({ length }) => length > SONG_LIMITS.barLength);
  const more = (what: string, count: number, limit: number) =>
    count > limit ? `It has ${count} ${what}; a song may have ${limit}.` : undefined;
  return (
    more('voices', voices.length, SONG_LIMITS.voices) ??
    more('notes', notes, SONG_LIMITS.notes) ??
    more('bars', bars.length, SONG_LIMITS.bars) ??
    (longest < 0
      ? undefined
      : `Bar ${longest + 1} is longer than ${SONG_LIMITS.barLength / QUARTER} quarters.`)
  );
}

/** Bars with nothing in them last no time; what their signs say goes over to their neighbours. */
function withoutEmpty(bars: Draft['bars']): Bar[] {
  const kept: Draft['bars'] = [];
  let waiting: Partial<Bar> = {};
  for (const bar of bars) {
    const { repeatEnd, jump, fine, toCoda, doubleLine, length, endings: _endings, ...opening } = bar;
    if (length > 0) {
      kept.push({ ...waiting, ...bar });
      waiting = {};
      continue;
    }
    const before = kept.at(-1);
    const closing = { repeatEnd, jump, fine, toCoda, doubleLine };
    if (before)
      Object.assign(
        before,
        Object.fromEntries(Object.entries(closing).filter(([, sign]) => sign !== undefined)),
      );
    waiting = { ...waiting, ...opening };
  }
  return kept;
}

function noNotes(remarks: readonly Remark[]): Problem {
  const message = 'There are no notes in it.';
  const [remark] = remarks;
  return { field: '', wrong: '', message: remark ? `${message} ${remark.text}` : message };
}

/** Changes in order of time, of two at one time the later told one; those that change nothing left out. */
function changes<T extends { readonly at: Ticks }>(told: readonly T[], first?: T): T[] {
  const same = (a: T, b: T) => JSON.stringify({ ...a, at: 0 }) === JSON.stringify({ ...b, at: 0 });
  const kept: T[] = [];
  for (const change of [...told].sort((a, b) => a.at - b.at)) {
    if (kept.at(-1)?.at === change.at) kept.pop();
    if (!kept.at(-1) || !same(kept.at(-1)!, change)) kept.push(change);
  }
  return first && kept[0]?.at !== 0 ? [first, ...kept] : kept;
}

type Placed = Omit<SongNote, 'id'>;

/** A written note moved by so many semitones: by octaves under its name, otherwise as the key spells what sounds. */
export function shifted(
  pitch: SpelledPitch,
  semitones: number,
  key: Pick<SongKey, 'tonic' | 'scale'> | undefined,
): SpelledPitch {
  if (semitones % 12 === 0) return { ...pitch, octave: pitch.octave + semitones / 12 };
  return spelledIn(soundingPitch(pitch) + semitones, key ? fifthsOfSongKey(key) : 0);
}

/** The tonic of a key moved by so many semitones, under its usual name. */
export function shiftedTonic(tonic: NoteName, scale: string, semitones: number): NoteName {
  if (semitones % 12 === 0) return tonic;
  return usualTonic(expectOk(scaleById(scale)), pitchClass(notePitchClass(tonic) + semitones));
}

/** A voice whose notes follow each other, and further ones for notes that sound into the next. */
function parted(
  { id, notes, tuplets }: DraftVoice,
  when: (at: InBar) => Ticks,
  remarks: Remark[],
): { id: string; notes: Placed[]; tuplets: Tuplet[] }[] {
  const rising = notes
    .map(({ bar, at, ...note }): Placed => ({ ...note, onset: when({ bar, at }) }))
    .sort(
      (a, b) => a.onset - b.onset || b.length - a.length || soundingPitch(b.pitch) - soundingPitch(a.pitch),
    );
  const rows: Placed[][] = [[]];
  for (const note of rising) {
    const row = rows.find((r) => fitsBehind(r.at(-1), note));
    if (row) row.push(note);
    else rows.push([note]);
  }
  if (rows.length > 1)
    remarks.push({ text: `Notes of voice ${id} overlap: they stand in ${rows.length} voices.` });
  const placed = tuplets.map(({ bar, at, ...tuplet }) => ({ ...tuplet, onset: when({ bar, at }) }));
  return rows.map((row, i) => ({
    id: i === 0 ? id : `${id}.${i + 1}`,
    notes: row,
    tuplets: i === 0 ? placed : [],
  }));
}

function fitsBehind(before: Placed | undefined, note: Placed): boolean {
  if (!before || before.onset + before.length <= note.onset) return true;
  return before.onset === note.onset && before.length === note.length;
}
