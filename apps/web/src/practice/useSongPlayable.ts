import { useMemo } from 'react';
import {
  barAt,
  barStarts,
  expectOk,
  familyById,
  metreAt,
  notePitchClass,
  noteText,
  openInstrument,
  plainPlan,
  QUARTER,
  songForm,
  type Family,
  type SongView,
  type TimedNote,
} from '@same-song/core';
import { songOf, songs, type ItemRecord } from '../api/records.ts';
import { dialectOf, useSettings } from '../api/settings.ts';
import { useSongView } from '../compute/computeSongs.ts';
import type { ChosenInstrument } from '../question/reference.ts';
import { wayNames } from '../scene/wayNames.ts';
import type { Playable } from './playable.ts';

/** How long of its length a note of a song sounds. */
const HELD = 0.92;

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
  const part = passageOf(line, passage);
  const first = part[0];
  const starts = barStarts(song);
  const ticksOf = (quarters: number) => Math.round(quarters * QUARTER);
  const { beat, beats } = metreAt(song, ticksOf(first?.start ?? 0));
  const perBeat = beat / QUARTER;
  const bar = barAt(starts, ticksOf(first?.start ?? 0));
  // A first bar that is short is a pickup: it ends with its bar.
  const missing = bar === 0 && song.bars.length > 1 ? Math.max(0, beats - song.bars[0]!.length / beat) : 0;
  const within = (ticksOf(first?.start ?? 0) - (starts[bar] ?? 0)) / beat;
  const notes = part.map((note): TimedNote => ({
    noteId: note.id,
    start: (note.start - first!.start) / perBeat,
    beats: note.beats / perBeat,
    held: (note.beats / perBeat) * HELD,
  }));
  const whole = passage === undefined;
  return {
    title: item.name,
    facts: [chosen.spec.name, `in ${noteText(song.keys[0]!.tonic)}`, ...view.instrumentFacts.slice(0, 1)],
    family,
    instrumentId: item.instrumentId,
    line: new Map(part.map((note) => [note.id, note])),
    notes,
    beatsPerBar: beats,
    phase: missing + within,
    scene: view.scene,
    names: wayNames(view.ways),
    words: new Map(view.ways.map((way) => [way.id, way.words])),
    a4: chosen.spec.a4,
    instrument,
    form: whole ? songForm(song) : undefined,
    home: notePitchClass(song.keys[0]!.tonic),
    cautions: view.cautions,
  };
}

function passageOf(
  line: SongView['line'],
  passage: { readonly from: string; readonly to: string } | undefined,
) {
  if (!passage) return line;
  const at = [passage.from, passage.to].map((id) => line.findIndex((note) => note.id === id));
  return at.includes(-1) ? line : line.slice(Math.min(...at), Math.max(...at) + 1);
}
