import { useEffect, useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { familyById } from '@same-song/core/instruments';
import { keepIds, plainPlan, planToLink, type Song } from '@same-song/core/song';
import { writeAbc } from '@same-song/formats';
import { instruments, songOf, songs, specOf, type SongRecord } from '../../api/records.ts';
import { dialectOf, useSettings } from '../../api/settings.ts';
import { useRecordActions } from '../../frame/useRecordActions.ts';
import { kindOf, type TextKind } from './reading.ts';
import { useGuess, type Taken } from './useGuess.ts';
import { keepUnfinished, unfinishedSong } from './unfinished.ts';
import { useTextReading, type TextReading } from './useTextReading.ts';

/**
 * A song that is being written: its text, what is read of it, and keeping it.
 * @param record a song that is there and is written otherwise @param onDone it is kept or left
 */
export function useNewSong(record: SongRecord | undefined, onDone: () => void) {
  const [begun] = useState(unfinishedSong);
  const [text, setText] = useState(() => (record ? writeAbc(songOf(record)) : begun.text));
  const [title, setTitle] = useState(record?.title ?? begun.title);
  const [chosenKind, setKind] = useState<TextKind | undefined>(record && 'abc');
  const [taken, take] = useState<Taken | undefined>(undefined);
  const kind = chosenKind ?? taken?.kind ?? kindOf(text);
  const tabFor = useTabInstrument(chosenKind ? undefined : taken);
  const reading = useTextReading(text, kind, tabFor.spec, tabFor.dialect);
  const guess = useGuess(reading, tabFor.ordered, chosenKind === undefined && !tabFor.isChosen);
  useEffect(() => take(guess), [guess]);
  /** What was tapped to a text, and the text it was tapped to. */
  const [tapped, setTapped] = useState<{ readonly of: string; readonly song: Song } | undefined>(undefined);
  const song = useMemo((): Song | undefined => {
    const read = tapped && tapped.of === reading?.of ? tapped.song : reading?.read?.song;
    return read && { ...read, title: title.trim() || read.title };
  }, [reading, title, tapped]);
  useEffect(() => {
    if (!record) keepUnfinished({ text, title });
  }, [record, text, title]);
  const leave = () => {
    if (!record) {
      setText('');
      setTitle('');
      keepUnfinished();
    }
    onDone();
  };
  const { save, busy } = useSongSaving(record, {
    onChanged: onDone,
    onKept: leave,
    opens: kind === 'tab' ? openingLink(tabFor, reading) : '',
  });
  const isCurrent = reading?.of === text;
  return {
    record,
    text,
    setText,
    title,
    setTitle,
    kind,
    setKind,
    tabFor,
    reading,
    song,
    /** Notes of one length, as those are that were typed without a rhythm; it can be tapped. */
    even: isCurrent && kind !== 'abc' && !record ? evenSong(reading.read?.song) : undefined,
    /** It is not what it looked like: what it is taken for instead. */
    taken: chosenKind === undefined ? taken : undefined,
    setTapped: (made: Song) => setTapped({ of: text, song: made }),
    canSave: song !== undefined && isCurrent && !busy,
    save: () => song && save(song),
    leave,
  };
}

export type NewSongState = ReturnType<typeof useNewSong>;

/** The instrument and the dialect that tab is read in. */
function useTabInstrument(taken: Taken | undefined) {
  const { data: cabinet = [] } = instruments.useList();
  const { settings } = useSettings();
  const [chosen, choose] = useState<string | undefined>(undefined);
  const [chosenDialect, chooseDialect] = useState<string | undefined>(undefined);
  const last = cabinet.find(({ id }) => id === settings.lastInstrument) ?? cabinet[0];
  const instrument = cabinet.find(({ id }) => id === (chosen ?? taken?.instrumentId)) ?? last;
  const ordered = useMemo(
    () => (last ? [last, ...cabinet.filter((one) => one !== last)] : []),
    [cabinet, last],
  );
  const family = instrument && familyById(instrument.family);
  const dialect =
    family?.dialects.find(({ id }) => id === (chosenDialect ?? taken?.dialect))?.id ??
    (family ? dialectOf(settings, family) : '');
  const spec = useMemo(() => instrument && specOf(instrument), [instrument]);
  const isChosen = chosen !== undefined || chosenDialect !== undefined;
  return { cabinet, ordered, instrument, spec, family, dialect, isChosen, choose, chooseDialect };
}

/** Where a song that was typed as tab opens: on its instrument, with the ways that were typed. */
function openingLink(
  { instrument, family }: Pick<ReturnType<typeof useTabInstrument>, 'instrument' | 'family'>,
  reading: TextReading | undefined,
): string {
  if (!instrument || !family) return '';
  const pins = reading?.read ? reading.pins : [];
  const plan = pins.length > 0 ? { ...plainPlan(family), transpose: 0, pins } : plainPlan(family);
  return `?${new URLSearchParams({ on: instrument.id, ...planToLink(plan, family) }).toString()}`;
}

/** Keeps a new song and goes to it, or changes the one there is, whose notes keep their ids. */
function useSongSaving(
  record: SongRecord | undefined,
  {
    onChanged,
    onKept,
    opens,
  }: {
    readonly onChanged: () => void;
    readonly onKept: () => void;
    /** How a new song is opened: on the instrument whose tab it was, as it was typed. */
    readonly opens: string;
  },
) {
  const navigate = useNavigate();
  const { keep, change, busy } = useRecordActions(songs);
  const save = (song: Song) => {
    if (record) {
      const before = songOf(record);
      change(record, {
        after: keepIds(before, { ...song, licence: before.licence }),
        label: `changing ${song.title}`,
        notice: `${song.title} is changed.`,
        onChanged,
      });
      return;
    }
    keep(song, {
      label: () => `adding ${song.title}`,
      notice: () => `${song.title} is among the songs.`,
      // What the server does not take stays in the box.
      onKept: ({ id }) => {
        onKept();
        void navigate(`/songs/${id}${opens}`);
      },
    });
  };
  return { save, busy };
}

function evenSong(song: Song | undefined): Song | undefined {
  const lengths = song?.parts.flatMap(({ voices }) =>
    voices.flatMap(({ notes }) => notes.map(({ length }) => length)),
  );
  return lengths && lengths.length > 1 && new Set(lengths).size === 1 ? song : undefined;
}
