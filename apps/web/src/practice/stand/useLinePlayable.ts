import { useMemo } from 'react';
import { expectOk } from '@same-song/core';
import { familyById, openInstrument } from '@same-song/core/instruments';
import {
  notePitchClass,
  noteCode,
  noteText,
  parseNote,
  scaleById,
  signsText,
  usualTonic,
} from '@same-song/core/music';
import { feelOfRhythm, formOf, inRhythm, rhythmAt, roundOf } from '@same-song/core/practice';
import { chordOver, type MapView, type StoredQuestion } from '@same-song/core/route';
import { fifthsOfSongKey } from '@same-song/core/song';
import type { ItemRecord } from '../../api/records.ts';
import { dialectOf, useSettings } from '../../api/settings.ts';
import { useMapView } from '../../compute/compute.ts';
import type { ChosenInstrument } from '../../question/reference.ts';
import { wayNames } from '../../scene/wayNames.ts';
import type { Playable } from './playable.ts';

/** Beats of a bar in which a line is counted. */
const BEATS = 4;

/** A line of Map in a key, laid out to be played; undefined while it is worked out. */
export function useLinePlayable(
  item: ItemRecord,
  question: StoredQuestion,
  chosen: ChosenInstrument | undefined,
): { readonly playable: Playable | undefined; readonly error: Error | null } {
  const { settings } = useSettings();
  const family = familyById(chosen?.spec.family ?? '');
  const dialect = family ? dialectOf(settings, family) : '';
  const { data: view, error } = useMapView(chosen, question, { naming: settings.naming, dialect });
  const { rhythm, articulation } = item.how;
  const instrument = useMemo(() => chosen && expectOk(openInstrument(chosen.spec)), [chosen]);
  const playable = useMemo(
    () =>
      view &&
      chosen &&
      family &&
      instrument &&
      lineAsPlayable(view, { item, question, chosen, family, instrument, rhythm, articulation }),
    [view, item, question, chosen, family, instrument, rhythm, articulation],
  );
  return { playable, error };
}

function lineAsPlayable(
  view: MapView,
  {
    item,
    question,
    chosen,
    family,
    instrument,
    rhythm,
    articulation,
  }: {
    readonly item: ItemRecord;
    readonly question: StoredQuestion;
    readonly chosen: ChosenInstrument;
    readonly family: Playable['family'];
    readonly instrument: Playable['instrument'];
    readonly rhythm: string;
    readonly articulation: ItemRecord['how']['articulation'];
  },
): Playable {
  const scale = expectOk(scaleById(question.scale));
  const home = expectOk(chordOver(scale, '1'));
  const ids = view.line.map(({ id }) => id);
  const layOut = (perMinute: number) => {
    const notes = inRhythm(ids, expectOk(rhythmAt(rhythm, perMinute)), articulation);
    return roundOf({ notes, beatsPerBar: BEATS, perMinute, countIn: true });
  };
  const round = layOut(60);
  const tonic = expectOk(parseNote(question.tonic));
  return {
    title: item.name,
    facts: [chosen.spec.name, `${noteText(tonic)} ${scale.name}`, ...view.instrumentFacts.slice(0, 1)],
    family,
    instrumentId: item.instrumentId,
    line: new Map(view.line.map((note) => [note.id, note])),
    notes: round.notes,
    beatsPerBar: BEATS,
    layOut,
    scene: view.scene,
    names: wayNames(view.ways),
    words: new Map(view.ways.map((way) => [way.id, way.words])),
    a4: chosen.spec.a4,
    instrument,
    form: formOf({ name: '', beats: BEATS, bars: round.bars.map(() => [home]) }),
    feel: feelOfRhythm(rhythm),
    home: notePitchClass(tonic),
    cautions: view.cautions,
  };
}

/** A question in another key: pins belong to pitches, so they stay behind. */
export function inKey(question: StoredQuestion, pitchClass: number): StoredQuestion {
  const scale = expectOk(scaleById(question.scale));
  const own = expectOk(parseNote(question.tonic));
  if (notePitchClass(own) === pitchClass) return question;
  return { ...question, tonic: noteCode(usualTonic(scale, pitchClass)), pins: [] };
}

/** `E♭, 3 flats`: how a key is announced. */
export function announced({ scale, tonic }: Pick<StoredQuestion, 'scale' | 'tonic'>): string {
  const read = expectOk(parseNote(tonic));
  return `${noteText(read)}, ${signsText(fifthsOfSongKey({ tonic: read, scale }))}`;
}
