import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import {
  FULLNESSES,
  inModeIfAny,
  modesFor,
  movedTonic,
  noteText,
  pitchedVoices,
  scaleById,
  type Fullness,
  type Song,
  type SongKeyFit,
} from '@same-song/core';
import { songs } from '../../api/records.ts';
import { useShortcuts } from '../../frame/shortcuts.ts';
import { answering } from '../../question/KeyWords.tsx';
import { WordPicker, type Choice } from '../../question/WordPicker.tsx';
import type { SongState } from './useSong.ts';

const WORDS = {
  song: 's',
  key: 'k',
  mode: 'm',
  instrument: 'i',
  octave: 'o',
  preference: 'w',
  company: 'e',
} as const;
type Word = keyof typeof WORDS;

/** The whole arrangement as one sentence whose words are the controls. */
export function SongSentence({ state }: { state: SongState }) {
  const [open, setOpen] = useState<Word | undefined>(undefined);
  const navigate = useNavigate();
  const { record, plan, by, family, chosen, cabinet = [], keys = [] } = state;
  const { data: all = [] } = songs.useTitles('kept');
  useShortcuts(
    (Object.keys(WORDS) as Word[]).map((word) => ({
      key: WORDS[word],
      label: `Change the ${word}`,
      group: 'The song',
      run: () => setOpen(word),
    })),
  );
  const picker = (word: Word) => ({
    name: word,
    shortcut: WORDS[word],
    open: open === word,
    onOpen: (now: boolean) => setOpen(now ? word : undefined),
  });
  const tonic = record ? noteText(movedTonic(inModeIfAny(record, plan.mode), by)) : '…';
  const modes = record ? modeChoices(record, plan.mode) : [];
  const octave = octaveOf(by);
  const preset = family.preferences.find(({ id }) => id === plan.preferences.preset)!;
  const filter = (choices: readonly Choice[]) => (text: string) => ({ choices: answering(choices, text) });
  return (
    <h1 className="question-line">
      <Link className="song-back" to="/songs" aria-label="All songs" title="All songs">
        ‹
      </Link>{' '}
      Play{' '}
      <WordPicker
        {...picker('song')}
        word={record?.title ?? '…'}
        placeholder="A title …"
        search={filter(all.map(({ id, title }) => ({ id, label: title, current: id === record?.id })))}
        onChoose={(id) =>
          void navigate(`/songs/${id}${chosen ? `?on=${encodeURIComponent(chosen.ref)}` : ''}`)
        }
      />{' '}
      in{' '}
      <WordPicker
        {...picker('key')}
        word={tonic}
        placeholder="A key …"
        search={filter(keys.length > 0 ? keys.map((fit) => keyChoice(fit, by)) : plainKeys(record))}
        onChoose={(semitones) => state.move(Number(semitones))}
      />{' '}
      {modes.length > 0 && (
        <WordPicker
          {...picker('mode')}
          word={scaleName(plan.mode ?? record!.keys[0]!.scale)}
          placeholder="A mode: minor, Dorian …"
          search={filter(modes)}
          onChoose={(id) => state.putInto(id === record!.keys[0]!.scale ? undefined : id)}
        />
      )}{' '}
      on{' '}
      <span className="question-unbroken">
        <WordPicker
          {...picker('instrument')}
          word={chosen?.spec.name ?? '…'}
          placeholder="A name, a key …"
          search={filter(
            cabinet.map(({ id, name, family: of }) => ({
              id,
              label: name,
              about: of,
              current: id === chosen?.ref,
            })),
          )}
          onChoose={(id) => state.play(id)}
        />
        ,
      </span>{' '}
      <span className="question-unbroken">
        <WordPicker
          {...picker('octave')}
          word={OCTAVE_WORDS[String(octave)] ?? `${octave} octaves up`}
          placeholder="An octave …"
          search={filter(
            Object.entries(OCTAVE_WORDS).map(([id, label]) => ({
              id,
              label,
              current: Number(id) === octave,
            })),
          )}
          onChoose={(id) => state.move(by + 12 * (Number(id) - octave))}
        />
        ,
      </span>{' '}
      with{' '}
      <span className="question-unbroken">
        <WordPicker
          {...picker('preference')}
          word={preset.label}
          placeholder="How it is to be played …"
          search={filter(
            family.preferences.map(({ id, label, about }) => ({
              id,
              label,
              about,
              current: id === preset.id,
            })),
          )}
          onChoose={(id) =>
            state.change('how it is played', { preferences: { ...plan.preferences, preset: id } })
          }
        />
        ,
      </span>{' '}
      <span className="question-unbroken">
        <WordPicker
          {...picker('company')}
          word={COMPANY[plan.adds?.fullness ?? 'none'].label}
          placeholder="The melody alone, or with more …"
          search={filter(companyChoices(record, plan.adds?.fullness))}
          onChoose={(id) => state.add(FULLNESSES.find((one) => one === id))}
        />
        .
      </span>
    </h1>
  );
}

/** What can be played with the melody, as the sentence says it. */
const COMPANY: Readonly<Record<Fullness | 'none', { readonly label: string; readonly about: string }>> = {
  none: { label: 'the melody alone', about: '' },
  written: { label: 'its other voices', about: 'those notes of them that begin with the melody' },
  light: { label: 'a note at each chord', about: 'the root where it can be had' },
  medium: { label: 'two notes on the beat', about: 'of the chord, under the melody' },
  full: { label: 'full chords', about: 'up to three notes under every note' },
  broken: { label: 'broken chords', about: 'one note after the other, rising from the root' },
};

/** Chords are needed for some of it, other voices for some. */
function companyChoices(song: Song | null | undefined, now: Fullness | undefined): readonly Choice[] {
  const voices = song ? pitchedVoices(song) : [];
  const hasMore = (id: string) => (id === 'written' ? voices.length > 1 : (song?.chords.length ?? 0) > 0);
  return (Object.keys(COMPANY) as (keyof typeof COMPANY)[])
    .filter((id) => id === 'none' || hasMore(id))
    .map((id) => ({ id, ...COMPANY[id], current: id === (now ?? 'none') }));
}

/** Its own mode first, then all that its degrees can be put into. */
function modeChoices(song: Song, now: string | undefined): readonly Choice[] {
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

function scaleName(id: string): string {
  const scale = scaleById(id);
  return scale.ok ? scale.value.name : id;
}

const OCTAVE_WORDS: Readonly<Record<string, string>> = {
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
function plainKeys(song: Pick<Song, 'keys'> | null | undefined): readonly Choice[] {
  if (!song) return [];
  return Array.from({ length: 12 }, (_, i) => i - 6).map((by) => ({
    id: String(by),
    label: noteText(movedTonic(song, by)),
  }));
}

function keyChoice(fit: SongKeyFit, now: number): Choice {
  return {
    id: String(fit.transpose),
    label: fit.keyName,
    about: [fit.facts[0], fitWords(fit)].filter((text) => text).join(' · '),
    current: fit.transpose === now,
  };
}
