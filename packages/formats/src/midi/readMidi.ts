import { fail, ok, type Result } from '@same-song/core';
import { countedMetre, QUARTER, spelledIn, type Ticks } from '@same-song/core/music';
import { fifthsOfSongKey, type Syllable } from '@same-song/core/song';
import {
  emptyDraft,
  finish,
  type Draft,
  type DraftVoice,
  type Heard,
  type InBar,
  type Read,
} from '../draft.ts';
import type { Remark } from '../remark.ts';
import { guessKey, guessMetre, keyOfSignature } from './guess.ts';
import { quantise, type Notation } from './quantise.ts';
import { readTracks, type MidiSong, type MidiTrack } from './tracks.ts';

/**
 * A Standard MIDI File of type 0 or 1. What is heard keeps the file's own times; how it is written is a guess, and the
 * remarks say so.
 */
export function readMidi(bytes: Uint8Array): Result<Read> {
  const remarks: Remark[] = [];
  const parsed = readTracks(bytes, remarks);
  if (!parsed.ok) return parsed;
  const { title, tracks, tempos } = parsed.value;
  const pitched = tracks.filter(({ percussion }) => !percussion).flatMap(({ notes }) => notes);
  if (pitched.length === 0)
    return fail({ field: '', wrong: '', message: 'There are no notes with a pitch in it.' });
  const draft = emptyDraft(title);
  const metres = metresOf(parsed.value, remarks);
  draft.metres = metres.map((metre) => ({ ...metre, bar: 0 }));
  const end = Math.max(...tracks.flatMap(({ notes }) => notes.map(({ onset, length }) => onset + length)));
  const bars = barsOf(metres, ticks(end));
  draft.bars = bars.map(({ length }) => ({ length }));
  const place = (at: Ticks) => placeOf(bars, at);
  keysOf(parsed.value, draft, place, remarks);
  for (const { at, perMinute } of tempos)
    if (perMinute >= 5 && perMinute <= 600 && at <= end)
      draft.tempos.push({ ...place(ticks(at)), beat: QUARTER, perMinute });
  const heard: Heard[] = [];
  let swung = false;
  let tuplets = 0;
  tracks.forEach((track, i) => {
    const voice: DraftVoice = { id: `T${i + 1}`, notes: [], tuplets: [] };
    const notation = writeTrack(track, metres[0]!, bars, voice, draft);
    swung ||= notation.swung;
    tuplets += notation.tuplets.length;
    draft.parts.push({
      id: `P${i + 1}`,
      name: track.name || `Track ${i + 1}`,
      percussion: track.percussion,
      voices: [voice],
    });
    for (const { pitch, onset, length } of track.notes)
      heard.push({
        part: `P${i + 1}`,
        voice: voice.id,
        pitch,
        start: onset,
        length,
        ...(track.percussion && { percussion: true }),
      });
  });
  draft.melody = melodyAmong(tracks);
  remarks.push({
    text: `How it is written is a guess from how it was played${tuplets > 0 ? ', with tuplets where they fit better' : ''}.`,
  });
  if (swung)
    remarks.push({
      text: 'The off-beats stand late throughout: they are written as even eighths, to be swung.',
    });
  const finished = finish(draft, remarks);
  if (!finished.ok) return finished;
  return ok({ ...finished.value, heard: heard.sort((a, b) => a.start - b.start) });
}

function ticks(quarters: number): Ticks {
  return Math.round(quarters * QUARTER);
}

interface Metre {
  readonly at: Ticks;
  readonly count: number;
  readonly unit: number;
}

function metresOf(song: MidiSong, remarks: Remark[]): Metre[] {
  const said = song.metres
    .filter(({ unit }) => [1, 2, 4, 8, 16, 32, 64].includes(unit))
    .map((m) => ({ ...m, at: ticks(m.at) }));
  if (said[0]?.at === 0) return said;
  const guessed = guessMetre(
    song.tracks.filter(({ percussion }) => !percussion).flatMap(({ notes }) => notes),
  );
  remarks.push({ text: `No metre is given; ${guessed.count}/${guessed.unit} is a guess.` });
  return [{ at: 0, ...guessed }, ...said];
}

interface WrittenBar {
  readonly onset: Ticks;
  readonly length: Ticks;
}

/** Whole bars up to the end; where a metre changes within one, it ends there. */
function barsOf(metres: readonly Metre[], end: Ticks): readonly (WrittenBar & { readonly metre: Metre })[] {
  const bars: (WrittenBar & { metre: Metre })[] = [];
  let at = 0;
  while ((at < end || bars.length === 0) && bars.length < 20_000) {
    const metre = metres.findLast((m) => m.at <= at) ?? metres[0]!;
    const change = metres.find((m) => m.at > at)?.at ?? Infinity;
    const length = Math.min((4 * QUARTER * metre.count) / metre.unit, change - at);
    bars.push({ onset: at, length, metre });
    at += length;
  }
  return bars;
}

function placeOf(bars: readonly WrittenBar[], at: Ticks): InBar {
  let low = 0;
  let high = bars.length - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (bars[middle]!.onset <= at) low = middle;
    else high = middle - 1;
  }
  return { bar: low, at: at - bars[low]!.onset };
}

function keysOf(song: MidiSong, draft: Draft, place: (at: Ticks) => InBar, remarks: Remark[]): void {
  const notes = song.tracks.filter(({ percussion }) => !percussion).flatMap((track) => track.notes);
  // A signature of no signs is what many programs write when nobody has said anything.
  const said =
    song.keys.some(({ at, fifths, minor }) => at === 0 && (fifths !== 0 || minor)) ||
    song.keys.some(({ at }) => at > 0);
  if (!said) {
    const guessed = guessKey([...notes].sort((a, b) => a.onset - b.onset));
    draft.keys.push({ bar: 0, at: 0, ...guessed });
    remarks.push({ text: `No key is given; it is guessed from the notes.` });
    return;
  }
  for (const { at, fifths, minor } of song.keys)
    draft.keys.push({ ...place(ticks(at)), ...keyOfSignature(fifths, minor) });
}

/** Writes the notes of a track into its voice, parted at bar lines and at the ends of tuplets. */
function writeTrack(
  track: MidiTrack,
  { count, unit }: Metre,
  bars: readonly (WrittenBar & { readonly metre: Metre })[],
  voice: DraftVoice,
  draft: Draft,
): Notation {
  const counted = countedMetre(count, unit);
  const compound = counted.divisions === 3;
  // Eighths that do not go in threes are too short a beat to be divided.
  const beat = compound ? counted.beat : Math.max(QUARTER, counted.beat);
  const notation = quantise(track.notes, beat, compound);
  const seams = notation.tuplets.flatMap(({ onset, length }) => [onset, onset + length]);
  let seam = 0;
  for (const tuplet of notation.tuplets) {
    const { onset, ...rest } = tuplet;
    const { bar, at } = placeOf(bars, onset);
    if (at + rest.length <= bars[bar]!.length) voice.tuplets.push({ bar, at, ...rest });
  }
  const sung = new Map(track.lyrics.map(({ at, text }) => [ticks(at), text]));
  notation.notes.forEach(({ pitch, onset, length }, i) => {
    const key = draft.keys.findLast((k) => bars[k.bar]!.onset + k.at <= onset) ?? draft.keys[0]!;
    const spelled = spelledIn(pitch, fifthsOfSongKey(key));
    const text = sung.get(ticks(track.notes[i]!.onset));
    for (let from = onset; from < onset + length;) {
      const { bar, at } = placeOf(bars, from);
      while (seam > 0 && seams[seam - 1]! > from) seam -= 1;
      while (seams[seam] !== undefined && seams[seam]! <= from) seam += 1;
      const to = Math.min(onset + length, bars[bar]!.onset + bars[bar]!.length, seams[seam] ?? Infinity);
      if (to <= from) break;
      voice.notes.push({
        bar,
        at,
        length: to - from,
        pitch: spelled,
        ...(to < onset + length && { tied: true }),
        ...(from === onset && text !== undefined && { lyrics: [syllable(text)] }),
      });
      from = to;
    }
  });
  return notation;
}

function syllable(text: string): Syllable {
  const plain = text.replace(/[\r\n/\\]/g, '').trim();
  return plain.endsWith('-')
    ? { text: plain.slice(0, -1).slice(0, 60), hyphen: true }
    : { text: plain.slice(0, 60) };
}

/** Index of the track that most likely is the melody: named so, or one note at a time, high, and busy. */
function melodyAmong(tracks: readonly MidiTrack[]): string {
  const score = ({ name, percussion, notes }: MidiTrack) => {
    if (percussion) return -Infinity;
    const mean = notes.reduce((sum, { pitch }) => sum + pitch, 0) / notes.length;
    const together = notes.filter(
      (note, i) => i > 0 && note.onset < notes[i - 1]!.onset + notes[i - 1]!.length - 0.05,
    ).length;
    const named = /melod|lead|voc|sing|tune|solo/i.test(name)
      ? 60
      : /bass|chord|drum|pad/i.test(name)
        ? -40
        : 0;
    return named + mean - (60 * together) / notes.length + 6 * Math.log10(notes.length);
  };
  const best = tracks.reduce((found, track, i) => (score(track) > score(tracks[found]!) ? i : found), 0);
  return `T${best + 1}`;
}
