import { keysOf } from '@same-song/core';
import { noteText, scaleById } from '@same-song/core/music';
import {
  modesFor,
  movedTonic,
  pitchedVoices,
  type Company,
  type Fullness,
  type Song,
  type SongKeyFit,
  type Style,
} from '@same-song/core/song';
import type { Choice } from '../../question/WordPicker.tsx';

/** What can be played with the melody, as the sentence says it. */
export const COMPANY: Readonly<Record<Style | 'none', { readonly label: string; readonly about: string }>> = {
  none: { label: 'the melody alone', about: '' },
  chords: { label: 'chords with it', about: 'notes of the chord that begin with those of the melody' },
  rhythm: { label: 'bass and chords in rhythm', about: 'as the dance of its metre has them' },
  broken: { label: 'broken chords', about: 'one note after the other, rising from the root' },
  octaves: { label: 'octaves', about: 'the melody an octave below, where both sound together' },
  written: { label: 'its other voices', about: 'those notes of them that begin with the melody' },
};

/** How much of it, as the sentence says it; what has no choice says nothing. */
export const HOW_MUCH: Readonly<Record<Style, Partial<Record<Fullness, string>>>> = {
  chords: {
    light: 'one note at each change',
    medium: 'two notes on the beat',
    full: 'three notes with every note',
  },
  rhythm: { light: 'the bass alone', medium: 'two notes over the bass', full: 'three notes over the bass' },
  broken: { light: 'on the beats', full: 'between the beats too' },
  octaves: {
    light: 'on the beats',
    medium: 'with every note',
    full: 'with every note, or a tone of the chord',
  },
  written: {},
};

/** How much of a style there is: what is chosen, or what comes nearest to it. */
export function howMuch({ style, fullness }: Company): Fullness {
  return HOW_MUCH[style][fullness] === undefined ? 'full' : fullness;
}

export function howMuchChoices(company: Company): readonly Choice[] {
  const amounts = HOW_MUCH[company.style];
  return keysOf(amounts).map((id) => ({ id, label: amounts[id]!, current: id === howMuch(company) }));
}

/** Chords are needed for some of it, other voices for some; an octave needs nothing. */
export function companyChoices(song: Song | null | undefined, now: Style | undefined): readonly Choice[] {
  const voices = song ? pitchedVoices(song) : [];
  const hasMore = (id: Style) => {
    if (id === 'octaves') return true;
    return id === 'written' ? voices.length > 1 : (song?.chords.length ?? 0) > 0;
  };
  return keysOf(COMPANY)
    .filter((id) => id === 'none' || hasMore(id))
    .map((id) => ({ id, ...COMPANY[id], current: id === (now ?? 'none') }));
}

/** Its own mode first, then all that its degrees can be put into. */
export function modeChoices(song: Song, now: string | undefined): readonly Choice[] {
  const own = song.keys[0]!.scale;
  const modes = modesFor(song);
  const ordered = [...modes.filter(({ id }) => id === own), ...modes.filter(({ id }) => id !== own)];
  return ordered.map(({ id, name, aliases }) => ({
    id,
    label: name,
    about: id === own ? 'as it is written' : aliases.slice(0, 2).join(', '),
    current: id === (now ?? own),
  }));
}

export function scaleName(id: string): string {
  const scale = scaleById(id);
  return scale.ok ? scale.value.name : id;
}

export const OCTAVE_WORDS: Readonly<Record<string, string>> = {
  '2': 'two octaves up',
  '1': 'an octave up',
  '0': 'as written',
  '-1': 'an octave down',
  '-2': 'two octaves down',
};

/** Octaves of a move, its key taken as the nearest one up or down. */
export function octaveOf(transpose: number): number {
  return Math.round(transpose / 12) + 0;
}

/** What a key gives, in a few words. */
export function fitWords({ missing, notes, demands }: SongKeyFit): string {
  const reach = missing === 0 ? 'all notes' : `${notes - missing} of ${notes} notes`;
  const asks = demands.map(({ label, count }) => `${label} ${count}`).join(', ');
  return [reach, asks].filter((text) => text !== '').join(' · ');
}

/** The twelve keys, while nobody knows yet how the song lies in them. */
export function plainKeys(song: Pick<Song, 'keys'> | null | undefined): readonly Choice[] {
  if (!song) return [];
  return Array.from({ length: 12 }, (_, i) => i - 6).map((by) => ({
    id: String(by),
    label: noteText(movedTonic(song, by)),
  }));
}

export function keyChoice(fit: SongKeyFit, now: number): Choice {
  return {
    id: String(fit.transpose),
    label: fit.keyName,
    about: [fit.facts[0], fitWords(fit)].filter((text) => text).join(' · '),
    current: fit.transpose === now,
  };
}
