import { chordNamed } from '../harmony/chord.ts';
import type { Pitch } from '../pitch/pitch.ts';
import type { RoutingContext } from '../route/context.ts';
import type { Route, RouteNote } from '../route/route.ts';
import type { Namer } from '../scale/namer.ts';
import { aboveHome } from '../scale/scale.ts';
import { QUARTER, type Ticks } from '../time/ticks.ts';
import type { Decision } from './arrangement.ts';
import { keyOfSongKey } from './songKey.ts';
import { barNumberIn, metreAt } from './barOffset.ts';
import { barStarts, holdingAt, type Song } from './song.ts';

/** A way out for a note that cannot be had, alone or with the phrase in which it stands. */
export interface Offer {
  readonly decisions: readonly Decision[];
  /** `an octave higher: G5`. */
  readonly text: string;
}

/** A note of the song that the instrument does not give. */
export interface SongMissing {
  readonly noteId: string;
  /** From 1. */
  readonly bar: number;
  readonly note: string;
  readonly reason: string;
  /** For this note alone, then for its phrase. */
  readonly offers: readonly Offer[];
}

interface Lacking {
  /** As it is arranged. */
  readonly song: Song;
  readonly name: Namer;
  readonly context: RoutingContext;
  readonly route: Pick<Route, 'notes'>;
  readonly decisions: readonly Decision[];
}

/** What an instrument does not give of a song, each note with its ways out. */
export function missingNotes(lacking: Lacking): readonly SongMissing[] {
  const { song, name, context, route } = lacking;
  const barOf = barNumberIn(song);
  const ends = phraseEnds(song, route.notes);
  return route.notes.flatMap((note, i) => {
    const { id, pitch, onset, missing } = note;
    if (!missing) return [];
    const offer = (by: number, words: string): Offer => ({
      decisions: [{ noteId: id, kind: 'move', by }],
      text: `${words}: ${name.withOctave(pitch + by)}`,
    });
    const octaves = ([[12, 'an octave higher'] as const, [-12, 'an octave lower'] as const] as const).filter(
      ([by]) => context.has(pitch + by),
    );
    const phrases = octaves.flatMap(([by, words]) => phraseOffer(lacking, onset, { by, words, ends }));
    // A phrase that lacks more than this note is moved as one; else the note alone comes first.
    const savesMore = phrases.some(({ decisions }) => lackingAmong(route.notes, decisions) > 1);
    return [
      {
        noteId: id,
        bar: barOf(onset),
        note: name.withOctave(pitch),
        reason: missing.text,
        offers: [
          ...(savesMore ? phrases : []),
          ...octaves.map(([by, words]) => offer(by, words)),
          ...nearestOffers(lacking, note, isAtRest(song, note, route.notes[i + 1], ends), offer),
          { decisions: [{ noteId: id, kind: 'leave' }], text: 'leave it out' },
          ...(savesMore ? [] : phrases),
        ],
      },
    ];
  });
}

/** How many of the notes that are decided about cannot be had. */
function lackingAmong(notes: Lacking['route']['notes'], decisions: readonly Decision[]): number {
  const decided = new Set(decisions.map(({ noteId }) => noteId));
  return notes.filter(({ id, missing }) => missing && decided.has(id)).length;
}

/** From so many counted beats on a note is at rest; so is one that ends a phrase. */
const LONG_BEATS = 2;

function isAtRest(
  song: Song,
  { onset, length }: RouteNote,
  next: RouteNote | undefined,
  ends: readonly Ticks[],
): boolean {
  const endsPhrase = !next || ends.some((end) => end >= onset + length && end <= next.onset);
  return endsPhrase || length >= LONG_BEATS * metreAt(song, onset).beat;
}

/** The nearest tone of the chord that sounds, and the nearest note of the scale: at rest the chord's first. */
function nearestOffers(
  { song, context }: Lacking,
  { pitch, onset }: RouteNote,
  atRest: boolean,
  offer: (by: number, words: string) => Offer,
): readonly Offer[] {
  const key = keyOfSongKey(holdingAt(song.keys, onset) ?? song.keys[0]!);
  const chord = chordNamed(holdingAt(song.chords, onset)?.symbol ?? '', key.tonic);
  // Root, third and fifth: a seventh is no note to rest on.
  const tones = chord?.tones.slice(0, 3) ?? [];
  const tone = nearestHad(context, pitch, (near) => tones.includes(aboveHome(key, near)));
  const step = nearestHad(context, pitch, (near) => key.indexOf[aboveHome(key, near)] !== undefined);
  const isTone = tones.includes(aboveHome(key, pitch));
  const ofChord = tone === undefined ? [] : [{ to: tone, words: 'the nearest note of the chord' }];
  const ofScale =
    step === undefined || step === tone ? [] : [{ to: step, words: 'the nearest note of the scale' }];
  const order = atRest || isTone ? [...ofChord, ...ofScale] : [...ofScale, ...ofChord];
  return order.map(({ to, words }) => offer(to - pitch, words));
}

/** The phrase of a note as a whole an octave away, where all of it can be had there. */
function phraseOffer(
  { name, context, route, decisions }: Lacking,
  onset: Ticks,
  { by, words, ends }: { readonly by: number; readonly words: string; readonly ends: readonly Ticks[] },
): readonly Offer[] {
  const from = ends.findLast((end) => end <= onset) ?? 0;
  const to = ends.find((end) => end > onset) ?? Infinity;
  const phrase = route.notes.filter((note) => note.onset >= from && note.onset < to);
  if (phrase.length < 2 || phrase.length === route.notes.length) return [];
  if (!phrase.every(({ pitch }) => context.has(pitch + by))) return [];
  const decided = new Map(decisions.map((decision) => [decision.noteId, decision]));
  const already = (id: string) => {
    const decision = decided.get(id);
    return decision?.kind === 'move' ? decision.by : 0;
  };
  const [first, last] = [phrase[0]!, phrase.at(-1)!];
  return [
    {
      decisions: phrase.map(({ id }) => ({ noteId: id, kind: 'move', by: already(id) + by })),
      text: `the phrase from ${name.withOctave(first.pitch)} to ${name.withOctave(last.pitch)} ${words}`,
    },
  ];
}

/** Bars of a phrase where nothing in a song says where one ends. */
const PHRASE_BARS = 4;

/** Where phrases end: where the song says so, at its sections and repeats, at rests of a beat; or else every four bars. */
function phraseEnds(song: Song, notes: readonly RouteNote[]): readonly Ticks[] {
  const starts = barStarts(song);
  const rests = notes.flatMap(({ onset }, i) => {
    const sounded = Math.max(
      0,
      ...notes.slice(Math.max(0, i - 8), i).map((note) => note.onset + note.length),
    );
    return i > 0 && onset - sounded >= QUARTER ? [onset] : [];
  });
  const signs = song.bars.flatMap(({ section, repeatStart, repeatEnd }, bar) => [
    ...(section !== undefined || repeatStart ? [starts[bar]!] : []),
    ...(repeatEnd !== undefined ? [starts[bar + 1]!] : []),
  ]);
  const told = [...song.phrases, ...rests, ...signs].filter((at) => at > 0 && at < starts.at(-1)!);
  const pickup = song.bars.length > 1 && song.bars[0]!.length < song.bars[1]!.length ? 1 : 0;
  const fours = starts.filter((_, bar) => bar > pickup && (bar - pickup) % PHRASE_BARS === 0);
  return [...new Set(told.length > 0 ? told : fours)].sort((a, b) => a - b);
}

/** The nearest of some pitches that can be had, of two alike the lower one; undefined beyond an octave. */
function nearestHad(
  { has }: RoutingContext,
  pitch: Pitch,
  isWanted: (pitch: Pitch) => boolean,
): Pitch | undefined {
  const away = Array.from({ length: 11 }, (_, i) => [-(i + 1), i + 1]).flat();
  const by = away.find((step) => has(pitch + step) && isWanted(pitch + step));
  return by === undefined ? undefined : pitch + by;
}
