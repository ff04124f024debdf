import { useDeferredValue, useMemo } from 'react';
import { useLink } from '../../frame/useLink.ts';
import { found } from '@same-song/core';
import { openInstrument, type Instrument } from '@same-song/core/instruments';
import { CHROMATIC_DEGREE_NAMES, noteText } from '@same-song/core/music';
import {
  knownFitter,
  lackingDegrees,
  opensAt,
  readKnownDegrees,
  readOpenings,
  songFitter,
  type MelodySketch,
  type Opening,
  type Song,
  type SongFit,
} from '@same-song/core/song';
import { instruments, type Kept } from '../../api/records.ts';
import { dialectOf, useSettings } from '../../api/settings.ts';
import { useSameTunes } from '../../compute/computeSongs.ts';
import { choose, type ChosenInstrument } from '../../question/reference.ts';
import { useTyped } from './useTyped.ts';

/** A song as lists have it. */
export type ListedSong = Kept & { readonly title: string; readonly sketch?: MelodySketch } & Partial<
    Pick<Song, 'composer' | 'tags' | 'keys' | 'metres'>
  >;

/** One row of the library, and what the search has to say about it. */
export interface LibraryRow {
  readonly song: ListedSong;
  /** Where its melody goes as the first notes that were asked for; undefined where it was not found by them. */
  readonly opens?: number;
  /** Where it fits what was asked for; undefined where nothing was. */
  readonly fit?: SongFit;
  /** What a pupil has still to learn for it, as degrees. */
  readonly lacks?: readonly string[];
  /** Other songs that are the same tune. */
  readonly twins?: readonly string[];
}

/** Where the question stands in the link. */
const PARAMS = {
  text: 'q',
  on: 'fits',
  without: 'without',
  known: 'know',
  ways: 'ways',
  twice: 'twice',
} as const;
type Param = keyof typeof PARAMS;

/** Techniques that may be used: all, only the easiest, or all but one. */
export const ONLY_PLAIN = 'only';

/** The songs that answer what is asked, best first. What is asked stands in the link. */
export function useLibrary(list: readonly ListedSong[] | undefined) {
  const { params, current, replace } = useLink();
  const get = (name: Param) => params.get(PARAMS[name]) ?? '';
  /** All that changes at once: each change begins from the link that stands. */
  const ask = (changes: Partial<Record<Param, string>>) => {
    const next = current();
    for (const [name, value] of Object.entries(changes) as [Param, string][])
      if (value === '') next.delete(PARAMS[name]);
      else next.set(PARAMS[name], value);
    replace(next);
  };
  const { data: cabinet = [], isPending } = instruments.useList();
  const { settings } = useSettings();
  const [on, without, ways, twice] = [get('on'), get('without'), get('ways'), get('twice')];
  const [text, setText] = useTyped(get('text'), (typed) => ask({ text: typed }));
  const [known, setKnown] = useTyped(get('known'), (typed) => ask({ known: typed }));
  const chosen = useMemo(
    () => (on === '' ? undefined : choose(on, cabinet, isPending)),
    [on, cabinet, isPending],
  );
  const instrument = useMemo(() => opened(chosen), [chosen]);
  /** Whose tab may be typed into the search. */
  const usual = useMemo(
    () => opened(choose(settings.lastInstrument ?? null, cabinet, isPending)),
    [settings.lastInstrument, cabinet, isPending],
  );
  const asked = useDeferredValue(text);
  const openings = useMemo(() => {
    const tabOf = instrument ?? usual;
    return readOpenings(asked, tabOf, tabOf && dialectOf(settings, tabOf.family));
  }, [asked, instrument, usual, settings]);
  const degrees = useMemo(() => (known === '' ? undefined : readKnownDegrees(known)), [known]);
  const wayIds = useMemo(() => new Set(ways === '' ? [] : ways.split(',')), [ways]);
  const fitter = useMemo(() => {
    if (!instrument) return undefined;
    if (wayIds.size > 0)
      return knownFitter(
        new Set(instrument.ways.filter(({ id }) => wayIds.has(id)).map(({ pitch }) => pitch)),
      );
    return songFitter(instrument, techniquesOf(instrument, without));
  }, [instrument, without, wayIds]);
  const sketches = useMemo(() => (list ?? []).map(({ sketch }) => sketch ?? NO_MELODY), [list]);
  const { data: groups } = useSameTunes(sketches, twice !== '' && list !== undefined);
  const rows = useMemo(
    () => rowsOf(list ?? [], { asked, openings, fitter, degrees, groups, isTwice: twice !== '' }),
    [list, asked, openings, fitter, degrees, twice, groups],
  );
  return {
    list: list ?? [],
    rows,
    text,
    asked,
    openings,
    on,
    without,
    known,
    degrees,
    wayIds,
    twice: twice !== '',
    chosen,
    instrument,
    cabinet,
    settings,
    searching: twice !== '' && !groups,
    setText,
    setKnown,
    ask,
  };
}

/** What the rows of the library answer. */
interface ListFilters {
  readonly asked: string;
  readonly openings: readonly Opening[];
  readonly fitter: ReturnType<typeof songFitter> | undefined;
  readonly degrees: ReturnType<typeof readKnownDegrees> | undefined;
  /** Songs that are the same tune, by their places in the list. */
  readonly groups: readonly (readonly number[])[] | undefined;
  /** Only tunes that are here twice. */
  readonly isTwice: boolean;
}

function rowsOf(
  list: readonly ListedSong[],
  { asked, openings, fitter, degrees, groups, isTwice }: ListFilters,
): readonly LibraryRow[] {
  const groupOf = (song: ListedSong) => groups?.find((group) => group.includes(list.indexOf(song)));
  const more = ({ song }: LibraryRow): Partial<LibraryRow> => {
    const { keys, sketch } = song;
    if (!keys?.[0] || !sketch) return {};
    const fit = fitter?.({ keys, sketch });
    const lacks = degrees?.ok && lackingDegrees({ keys, sketch }, degrees.value).map(degreeName);
    const twins =
      isTwice &&
      groupOf(song)
        ?.map((i) => list[i]!)
        .filter((other) => other !== song);
    return {
      ...(fit && { fit }),
      ...(lacks && { lacks }),
      ...(twins && { twins: twins.map(({ title }) => title) }),
    };
  };
  return byName(list, asked, openings)
    .filter(({ song }) => !isTwice || groupOf(song) !== undefined)
    .map((row) => ({ ...row, ...more(row) }))
    .sort((a, b) => farness(a) - farness(b));
}

export type LibraryState = ReturnType<typeof useLibrary>;

const NO_MELODY: MelodySketch = { first: [], pitches: [], notes: 0 };

function opened(chosen: ChosenInstrument | undefined): Instrument | undefined {
  const made = chosen && openInstrument(chosen.spec);
  return made?.ok ? made.value : undefined;
}

function techniquesOf({ family }: Instrument, without: string): ReadonlySet<string> {
  const ids = family.techniques.map(({ id }) => id);
  return new Set(without === ONLY_PLAIN ? ids.slice(0, 1) : ids.filter((id) => id !== without));
}

function degreeName(semitones: number): string {
  return CHROMATIC_DEGREE_NAMES[semitones]!;
}

/** What is nearest comes first; where nothing of the kind was asked all are alike. */
function farness({ fit, lacks }: LibraryRow): number {
  return (fit?.missing.length ?? 0) + (lacks?.length ?? 0);
}

/** By title, tags, key, metre or maker; and by the first notes, where what is typed can be some. */
function byName(
  list: readonly ListedSong[],
  text: string,
  openings: readonly Opening[],
): readonly LibraryRow[] {
  if (text.trim() === '') return list.map((song) => ({ song }));
  const begins = list
    .flatMap((song): LibraryRow[] => {
      const at = openings.flatMap((opening) => (song.sketch && opensAt(song.sketch, opening)) ?? []);
      return at.length > 0 ? [{ song, opens: Math.min(...at) }] : [];
    })
    .sort((a, b) => a.opens! - b.opens!);
  const there = new Set(begins.map(({ song }) => song));
  const named = found(list, text, (song) => [song.title, wordsOf(song)]);
  return [...begins, ...named.filter((song) => !there.has(song)).map((song) => ({ song }))];
}

const SCALE_WORDS: Readonly<Record<string, string>> = { major: '', 'natural-minor': 'm' };

/** `Em`, `D dorian`. */
export function keyWords(keys: Song['keys'] | undefined): string {
  const [key] = keys ?? [];
  if (!key) return '';
  const mode = SCALE_WORDS[key.scale];
  return noteText(key.tonic) + (mode ?? ` ${key.scale.replaceAll('-', ' ')}`);
}

function wordsOf({ title, tags = [], composer = '', keys, metres }: ListedSong): string {
  const metre = metres?.[0] ? `${metres[0].count}/${metres[0].unit}` : '';
  return [title, ...tags, composer, keyWords(keys), metre].join(' ');
}
