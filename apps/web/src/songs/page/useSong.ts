import { useCallback, useMemo } from 'react';
import { familyById, families, FAMILY_IDS, type Family } from '@same-song/core/instruments';
import type { Settings } from '@same-song/core/records';
import type { NotationOptions, Pin } from '@same-song/core/route';
import {
  PLAN_PARAMS,
  planFromLink,
  planToLink,
  type ArrangementPlan,
  type Decision,
  type Company,
} from '@same-song/core/song';
import { instruments, songOf, songs, type InstrumentRecord } from '../../api/records.ts';
import { dialectOf, useSettings } from '../../api/settings.ts';
import {
  useSongAlternatives,
  useSongKeys,
  useSongView,
  type SongSubject,
} from '../../compute/computeSongs.ts';
import { useLink, type Link } from '../../frame/useLink.ts';
import { choose } from '../../question/reference.ts';
import { useEditedSong } from './songEdits.ts';

/** Writes a plan into the link: every change of it is a step that can be undone. */
function usePlanChanges({ current, write }: Link, family: Family, by: number) {
  const withPlan = (next: ArrangementPlan, on?: string) => {
    const link = current();
    for (const name of PLAN_PARAMS) link.delete(name);
    if (on !== undefined) link.set('on', on);
    for (const [name, value] of Object.entries(planToLink(next, family))) link.set(name, value);
    return link;
  };
  /** @param part what becomes of the plan as it was last written, drawn or not yet drawn */
  const change = (
    label: string,
    part: Partial<ArrangementPlan> | ((before: ArrangementPlan) => Partial<ArrangementPlan>),
  ) => {
    const before = planFromLink(Object.fromEntries(current()), family);
    write(withPlan({ ...before, ...(typeof part === 'function' ? part(before) : part) }), label);
  };
  return {
    change,
    /** Another place: pins and decisions belong to pitches, so they go. */
    move: (transpose: number) => change('moving the song', { transpose, pins: [], decisions: [] }),
    /** @param transpose left out: where the link says, or else where the song lies best */
    play: (ref: string, transpose?: number) => {
      const link = current();
      const kept = transpose === undefined ? link.get('by') : String(transpose);
      for (const name of PLAN_PARAMS) if (name !== 'mode') link.delete(name);
      if (kept !== null) link.set('by', kept);
      link.set('on', ref);
      write(link, 'another instrument');
    },
    /** What is played with the melody; undefined for nothing. */
    add: (company: Company | undefined) => change('what is played with the melody', { adds: company }),
    /** Another mode; undefined for its own again. */
    putInto: (mode: string | undefined) => change('another mode', { mode, pins: [], decisions: [] }),
    /** An arrangement as it was worked out elsewhere, on an instrument of the same family. */
    take: (label: string, ref: string, arrangement: ArrangementPlan) =>
      write(withPlan(arrangement, ref), label),
    decide: (made: readonly Decision[]) => {
      const decided = new Set(made.map(({ noteId }) => noteId));
      const label = made.length === 1 ? 'a way out for a note' : `a way out for ${made.length} notes`;
      change(label, ({ decisions, pins }) => ({
        transpose: by,
        decisions: [...decisions.filter(({ noteId }) => !decided.has(noteId)), ...made],
        pins: pins.filter(({ noteId }) => !decided.has(noteId)),
      }));
    },
    undecide: (noteId: string) =>
      change('a note as written', ({ decisions }) => ({
        decisions: decisions.filter((decision) => decision.noteId !== noteId),
      })),
    pin: (wish: Pin) =>
      change('a pin', ({ pins }) => ({
        transpose: by,
        pins: [...pins.filter(({ noteId }) => noteId !== wish.noteId), wish],
      })),
    unpin: (noteId: string) =>
      change('a pin', ({ pins }) => ({ pins: pins.filter((one) => one.noteId !== noteId) })),
  };
}

/** What is marked in the song: one note, a passage that is played again and again, what stands beside. */
function useMarks({ params, current, write, replace }: Link) {
  const looped = params.get('loop');
  const loop = useMemo(() => {
    const [from, to] = (looped ?? '').split('~');
    return from && to ? { from, to } : undefined;
  }, [looped]);
  const select = useCallback(
    (noteId: string | undefined) => {
      const next = current();
      if (noteId === undefined || next.get('at') === noteId) next.delete('at');
      else next.set('at', noteId);
      replace(next);
    },
    [current, replace],
  );
  return {
    at: params.get('at') ?? undefined,
    select,
    loop,
    /** Plays only from one note to another, again and again; undefined for the whole song once. */
    setLoop: (wanted: { readonly from: string; readonly to: string } | undefined) => {
      const link = current();
      if (wanted) link.set('loop', `${wanted.from}~${wanted.to}`);
      else link.delete('loop');
      replace(link);
    },
    isBeside: params.has('beside'),
    /** Another arrangement beside this one; undefined for none. */
    putBeside: (beside: { readonly ref: string; readonly by?: number } | undefined) => {
      const link = current();
      link.delete('beside');
      link.delete('besideBy');
      if (beside) {
        link.set('beside', beside.ref);
        if (beside.by !== undefined) link.set('besideBy', String(beside.by));
      }
      write(link, 'an arrangement beside this one');
    },
  };
}

/** A song on an instrument: read from the link and written to it, every change of it undoable. */
export function useSong(id: string) {
  const link = useLink();
  const { params, search } = link;
  const { data: kept, error, isPending } = songs.useOne(id);
  const { record, key } = useEditedSong(kept);
  const { data: cabinet, isPending: isOpening } = instruments.useList();
  const { settings, loaded } = useSettings();
  const wanted = params.get('on') ?? settings.lastInstrument;
  const chosen = useMemo(
    () => choose(wanted, cabinet ?? [], isOpening || !loaded),
    [wanted, cabinet, isOpening, loaded],
  );
  const family = familyById(chosen?.spec.family ?? '') ?? families[FAMILY_IDS[0]!];
  const plan = useMemo(
    () => planFromLink(Object.fromEntries(new URLSearchParams(search)), family),
    [search, family],
  );
  const asked = useMemo(
    (): SongSubject | undefined => (record && key !== undefined ? { key, song: songOf(record) } : undefined),
    [record, key],
  );
  const notation = { naming: settings.naming, dialect: dialectOf(settings, family) };
  const { data: view, error: failed } = useSongView(chosen, asked, plan, notation, settings.tension);
  /** Semitones by which the song is moved, whether somebody chose them or not. */
  const by = plan.transpose ?? view?.transpose ?? 0;
  const { data: keys } = useSongKeys(chosen, asked, plan.preferences, plan.mode);
  const marks = useMarks(link);
  const { data: alternatives = [] } = useSongAlternatives(chosen, asked, plan, marks.at);
  const second = useBeside(params, asked, plan, { cabinet, notation, settings });
  return {
    record,
    asked,
    error: error ?? failed,
    isPending,
    cabinet,
    chosen,
    family,
    settings,
    plan,
    by,
    view,
    keys,
    alternatives,
    second,
    ...marks,
    ...usePlanChanges(link, family, by),
  };
}

/** What stands beside: the same song on an instrument of its own, moved by as much as the link says. */
function useBeside(
  params: URLSearchParams,
  asked: SongSubject | undefined,
  { mode }: ArrangementPlan,
  {
    cabinet,
    notation,
    settings,
  }: {
    readonly cabinet: readonly InstrumentRecord[] | undefined;
    readonly notation: NotationOptions;
    readonly settings: Settings;
  },
) {
  const ref = params.get('beside');
  const by = params.get('besideBy') ?? undefined;
  const chosen = useMemo(
    () => (ref === null ? undefined : choose(ref, cabinet ?? [], cabinet === undefined)),
    [ref, cabinet],
  );
  const family = familyById(chosen?.spec.family ?? '') ?? families[FAMILY_IDS[0]!];
  const plan = useMemo(
    () => planFromLink({ ...(by !== undefined && { by }), ...(mode !== undefined && { mode }) }, family),
    [by, mode, family],
  );
  const { data: view } = useSongView(chosen, asked, plan, {
    ...notation,
    dialect: dialectOf(settings, family),
  });
  return useMemo(
    () => chosen && view && { ref: chosen.ref, name: chosen.spec.name, by: view.transpose, family, view },
    [chosen, view, family],
  );
}

export type SongState = ReturnType<typeof useSong>;
