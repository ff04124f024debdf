import { useMemo } from 'react';
import { expectOk } from '@same-song/core';
import { familyById, openInstrument, type Family } from '@same-song/core/instruments';
import { notePitchClass, noteText } from '@same-song/core/music';
import { songForm, songRound } from '@same-song/core/practice';
import { feelOf, plainPlan, type SongView } from '@same-song/core/song';
import { songOf, songs, type ItemRecord } from '../../api/records.ts';
import { dialectOf, useSettings } from '../../api/settings.ts';
import { useSongView } from '../../compute/computeSongs.ts';
import type { ChosenInstrument } from '../../question/reference.ts';
import { wayNames } from '../../scene/wayNames.ts';
import type { Playable } from './playable.ts';

/** A song on its instrument, or a passage of it, laid out to be played. */
export function useSongPlayable(item: ItemRecord | undefined, chosen: ChosenInstrument | undefined) {
  const { settings } = useSettings();
  const family = familyById(chosen?.spec.family ?? '');
  const { data: record } = songs.useOne(item?.songId);
  const asked = useMemo(
    () => (record ? { key: `${record.id}@${record.version}`, song: songOf(record) } : undefined),
    [record],
  );
  const what = item?.what.kind === 'song' ? item.what : undefined;
  const plan = useMemo(() => what?.plan ?? plainPlan(family ?? familyById('diatonic')!), [what, family]);
  const { data: view, error } = useSongView(item ? chosen : undefined, asked, plan, {
    naming: settings.naming,
    dialect: family ? dialectOf(settings, family) : '',
  });
  const instrument = useMemo(() => chosen && expectOk(openInstrument(chosen.spec)), [chosen]);
  const playable = useMemo(
    () =>
      view &&
      item &&
      chosen &&
      family &&
      instrument &&
      songAsPlayable(view, { item, chosen, family, instrument, passage: what?.passage }),
    [view, item, chosen, family, instrument, what],
  );
  return { playable, error, isLost: record === null };
}

function songAsPlayable(
  view: SongView,
  {
    item,
    chosen,
    family,
    instrument,
    passage,
  }: {
    readonly item: ItemRecord;
    readonly chosen: ChosenInstrument;
    readonly family: Family;
    readonly instrument: Playable['instrument'];
    readonly passage: { readonly from: string; readonly to: string } | undefined;
  },
): Playable {
  const { song, line } = view;
  const layOut = (perMinute: number) => songRound(song, { perMinute, passage });
  const round = layOut(60);
  const played = new Set(round.notes.map(({ noteId }) => noteId));
  return {
    title: item.name,
    facts: [chosen.spec.name, `in ${noteText(song.keys[0]!.tonic)}`, ...view.instrumentFacts.slice(0, 1)],
    family,
    instrumentId: item.instrumentId,
    line: new Map(line.filter(({ id }) => played.has(id)).map((note) => [note.id, note])),
    notes: round.notes,
    beatsPerBar: round.beats[0]?.of ?? 1,
    layOut,
    scene: view.scene,
    names: wayNames(view.ways),
    words: new Map(view.ways.map((way) => [way.id, way.words])),
    a4: chosen.spec.a4,
    instrument,
    form: songForm(song, round.stretches),
    feel: feelOf(song),
    home: notePitchClass(song.keys[0]!.tonic),
    cautions: view.cautions,
  };
}
