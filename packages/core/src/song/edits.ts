import type { Feel } from '../groove/feel.ts';
import type { SpelledPitch } from '../pitch/spelledPitch.ts';
import { soundingPitch } from '../pitch/spelledPitch.ts';
import { fail, shown, type Result } from '../result.ts';
import type { Ticks } from '../time/ticks.ts';
import { checkSong } from './checkSong.ts';
import { holdingAt, mapNotes, type NoteMark, type Song, type SongNote, type Syllable } from './song.ts';
import { fifthsOfSongKey } from './songKey.ts';
import { spelledForSong } from './transpose.ts';
import { stepOf } from './stepOf.ts';

/**
 * One change of a song, as a value: it can be kept, sent and done again. Times are ticks as the song is written; notes
 * are named by their ids, so that an edit still means the same after others were made elsewhere.
 */
export type SongEdit =
  | {
      readonly kind: 'insert';
      readonly voice: string;
      readonly note: Pick<SongNote, 'id' | 'onset' | 'length' | 'pitch'>;
    }
  /** It leaves a rest. */
  | { readonly kind: 'delete'; readonly noteId: string }
  /** All that begin with it, since notes of a chord are of one length. */
  | { readonly kind: 'retime'; readonly noteId: string; readonly onset?: Ticks; readonly length: Ticks }
  /** Another pitch, or the same under another name. */
  | { readonly kind: 'respell'; readonly noteId: string; readonly pitch: SpelledPitch }
  /** By steps of the key that holds there, up or down; what lies outside the key goes to it first. */
  | { readonly kind: 'step'; readonly noteIds: readonly string[]; readonly steps: number }
  /** By semitones, named as the key has them. */
  | { readonly kind: 'transpose'; readonly noteIds: readonly string[]; readonly semitones: number }
  | { readonly kind: 'tie'; readonly noteId: string; readonly tied: boolean }
  | { readonly kind: 'mark'; readonly noteId: string; readonly mark: NoteMark; readonly on: boolean }
  | {
      readonly kind: 'lyric';
      readonly noteId: string;
      /** From 0. */
      readonly verse: number;
      readonly syllable: Syllable | null;
    }
  /** An empty symbol takes the chord away. */
  | { readonly kind: 'chord'; readonly at: Ticks; readonly symbol: string }
  /** Whether a phrase ends there. */
  | { readonly kind: 'phrase'; readonly at: Ticks; readonly ends: boolean }
  /** How its eighths are played. */
  | { readonly kind: 'feel'; readonly feel: Feel }
  /** Whether the song bears a tag. */
  | { readonly kind: 'tag'; readonly tag: string; readonly on: boolean };

/** A song with an edit made; what it would make of the song must be sound. Problem fields are those of the song, or `noteId`. */
export function edited(song: Song, edit: SongEdit): Result<Song> {
  const ids = idsOf(edit);
  const notes = song.parts.flatMap(({ voices }) => voices.flatMap((voice) => voice.notes));
  const there = new Set(notes.map(({ id }) => id));
  const lost = ids.find((id) => !there.has(id));
  if (lost !== undefined)
    return fail({ field: 'noteId', wrong: shown(lost), message: 'The song has no such note (any more).' });
  return checkSong(withEdit(song, edit));
}

/** Several one after the other, all or none. */
export function editedBy(song: Song, edits: readonly SongEdit[]): Result<Song> {
  let result: Result<Song> = { ok: true, value: song };
  for (const edit of edits) {
    if (!result.ok) return result;
    result = edited(result.value, edit);
  }
  return result;
}

function idsOf(edit: SongEdit): readonly string[] {
  if ('noteIds' in edit) return edit.noteIds;
  return 'noteId' in edit ? [edit.noteId] : [];
}

function withEdit(song: Song, edit: SongEdit): Song {
  const only = (ids: readonly string[], change: (note: SongNote) => SongNote | readonly SongNote[]): Song => {
    const wanted = new Set(ids);
    return mapNotes(song, (note) => (wanted.has(note.id) ? change(note) : note));
  };
  switch (edit.kind) {
    case 'insert':
      return inserted(song, edit.voice, edit.note);
    case 'delete':
      return only([edit.noteId], () => []);
    case 'retime':
      return retimed(song, edit.noteId, edit);
    case 'respell':
      return only([edit.noteId], (note) => ({ ...note, pitch: edit.pitch }));
    case 'step':
      return only(edit.noteIds, (note) => {
        const key = holdingAt(song.keys, note.onset)!;
        return { ...note, pitch: stepOf(note.pitch, fifthsOfSongKey(key), edit.steps) };
      });
    case 'transpose':
      return only(edit.noteIds, (note) => {
        const key = holdingAt(song.keys, note.onset)!;
        return { ...note, pitch: spelledForSong(soundingPitch(note.pitch) + edit.semitones, key) };
      });
    case 'tie':
      return only([edit.noteId], ({ tied: _, ...note }) => (edit.tied ? { ...note, tied: true } : note));
    case 'mark':
      return only([edit.noteId], ({ marks = [], ...note }) => {
        const others = marks.filter((mark) => mark !== edit.mark);
        const next = edit.on ? [...others, edit.mark] : others;
        return next.length > 0 ? { ...note, marks: next } : note;
      });
    case 'lyric':
      return only([edit.noteId], ({ lyrics = [], ...note }) => {
        const verses = Math.max(lyrics.length, edit.verse + 1);
        const next = Array.from({ length: verses }, (_, i) =>
          i === edit.verse ? edit.syllable : (lyrics[i] ?? null),
        );
        return next.some((syllable) => syllable) ? { ...note, lyrics: next } : note;
      });
    case 'chord': {
      const others = song.chords.filter(({ at }) => at !== edit.at);
      const symbol = edit.symbol.trim();
      return { ...song, chords: symbol === '' ? others : [...others, { at: edit.at, symbol }] };
    }
    case 'phrase': {
      const others = song.phrases.filter((at) => at !== edit.at);
      return { ...song, phrases: edit.ends ? [...others, edit.at] : others };
    }
    case 'feel':
      return { ...song, feel: edit.feel };
    case 'tag': {
      const others = song.tags.filter((tag) => tag !== edit.tag);
      return { ...song, tags: edit.on ? [...others, edit.tag] : others };
    }
  }
}

function inserted(
  song: Song,
  voiceId: string,
  note: Pick<SongNote, 'id' | 'onset' | 'length' | 'pitch'>,
): Song {
  return {
    ...song,
    parts: song.parts.map((part) => ({
      ...part,
      voices: part.voices.map((voice) =>
        voice.id === voiceId ? { ...voice, notes: [...voice.notes, note] } : voice,
      ),
    })),
  };
}

function retimed(
  song: Song,
  noteId: string,
  { onset, length }: { readonly onset?: Ticks; readonly length: Ticks },
): Song {
  const voice = song.parts
    .flatMap(({ voices }) => voices)
    .find(({ notes }) => notes.some(({ id }) => id === noteId))!;
  const from = voice.notes.find(({ id }) => id === noteId)!.onset;
  return mapNotes(song, (note, of) =>
    of === voice && note.onset === from ? { ...note, onset: onset ?? from, length } : note,
  );
}
