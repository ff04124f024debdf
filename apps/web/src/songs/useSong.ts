import { useCallback, useMemo } from 'react';
import { useSearchParams } from 'react-router';
import {
  familyById,
  families,
  FAMILY_IDS,
  PLAN_PARAMS,
  planFromLink,
  planToLink,
  type ArrangementPlan,
  type Decision,
  type Fullness,
  type NotationOptions,
  type Pin,
  type Settings,
} from '@same-song/core';
import { instruments, songOf, songs, type InstrumentRecord } from '../api/records.ts';
import { dialectOf, useSettings } from '../api/settings.ts';
import { useSongAlternatives, useSongKeys, useSongView, type AskedSong } from '../compute/computeSongs.ts';
import { remember } from '../frame/undo.ts';
import { choose } from '../question/reference.ts';

/** A song on an instrument: read from the link and written to it, every change of it undoable. */
export function useSong(id: string) {
  const [params, setParams] = useSearchParams();
  const { data: record, error, isPending } = songs.useOne(id);
  const { data: cabinet, isPending: opening } = instruments.useList();
  const { settings, loaded } = useSettings();
  const wanted = params.get('on') ?? settings.lastInstrument;
  const chosen = useMemo(
    () => choose(wanted, cabinet ?? [], opening || !loaded),
    [wanted, cabinet, opening, loaded],
  );
  const family = familyById(chosen?.spec.family ?? '') ?? families[FAMILY_IDS[0]!];
  const search = params.toString();
  const plan = useMemo(
    () => planFromLink(Object.fromEntries(new URLSearchParams(search)), family),
    [search, family],
  );
  const asked = useMemo(
    (): AskedSong | undefined =>
      record ? { key: `${record.id}@${record.version}`, song: songOf(record) } : undefined,
    [record],
  );
  const notation = { naming: settings.naming, dialect: dialectOf(settings, family) };
  const { data: view, error: failed } = useSongView(chosen, asked, plan, notation, settings.tension);
  /** Semitones by which the song is moved, whether somebody chose them or not. */
  const by = plan.transpose ?? view?.transpose ?? 0;
  const { data: keys } = useSongKeys(chosen, asked, plan.preferences, plan.mode);
  const at = params.get('at') ?? undefined;
  const { data: alternatives = [] } = useSongAlternatives(chosen, asked, plan, at);

  const go = useCallback(
    (label: string, next: URLSearchParams) => {
      const before = new URLSearchParams(search);
      if (next.toString() === before.toString()) return;
      setParams(next);
      remember({ label, undo: () => setParams(before), redo: () => setParams(next) });
    },
    [search, setParams],
  );
  const withPlan = useCallback(
    (next: ArrangementPlan, on = params.get('on')) => {
      const link = new URLSearchParams(search);
      for (const name of PLAN_PARAMS) link.delete(name);
      if (on) link.set('on', on);
      for (const [name, value] of Object.entries(planToLink(next, family))) link.set(name, value);
      return link;
    },
    [search, params, family],
  );
  const change = (label: string, part: Partial<ArrangementPlan>) => go(label, withPlan({ ...plan, ...part }));
  /** Another place: pins and decisions belong to pitches, so they go. */
  const move = (transpose: number) => change('moving the song', { transpose, pins: [], decisions: [] });
  /** @param transpose left out: where the link says, or else where the song lies best */
  const play = (ref: string, transpose = plan.transpose) => {
    const link = new URLSearchParams(search);
    for (const name of PLAN_PARAMS) if (name !== 'mode') link.delete(name);
    if (transpose !== undefined) link.set('by', String(transpose));
    link.set('on', ref);
    go('another instrument', link);
  };
  /** What is played with the melody; undefined for nothing. */
  const add = (fullness: Fullness | undefined, without: readonly string[] = []) => {
    const { adds: _, ...others } = plan;
    go(
      'what is played with the melody',
      withPlan({ ...others, ...(fullness && { adds: { fullness, without } }) }),
    );
  };
  /** Another mode, or its own again. */
  const putInto = (mode: string | undefined) => {
    const { mode: _, ...others } = plan;
    const next = { ...others, ...(mode !== undefined && { mode }), pins: [], decisions: [] };
    go('another mode', withPlan(next));
  };
  /** An arrangement as it was worked out elsewhere, on an instrument of the same family. */
  const take = (label: string, ref: string, arrangement: ArrangementPlan) =>
    go(label, withPlan(arrangement, ref));
  /** Another arrangement beside this one; undefined for none. */
  const putBeside = (beside: { readonly ref: string; readonly by?: number } | undefined) => {
    const link = new URLSearchParams(search);
    link.delete('beside');
    link.delete('besideBy');
    if (beside) {
      link.set('beside', beside.ref);
      if (beside.by !== undefined) link.set('besideBy', String(beside.by));
    }
    go('an arrangement beside this one', link);
  };
  const second = useBeside(params, asked, plan, { cabinet, notation, settings });
  const looped = params.get('loop');
  const loop = useMemo(() => {
    const [from, to] = (looped ?? '').split('~');
    return from && to ? { from, to } : undefined;
  }, [looped]);
  /** Plays only from one note to another, again and again; undefined for the whole song once. */
  const setLoop = (wanted: { readonly from: string; readonly to: string } | undefined) =>
    setParams(
      (before) => {
        const link = new URLSearchParams(before);
        if (wanted) link.set('loop', `${wanted.from}~${wanted.to}`);
        else link.delete('loop');
        return link;
      },
      { replace: true },
    );
  const decide = (made: readonly Decision[]) => {
    const decided = new Set(made.map(({ noteId }) => noteId));
    return change(made.length === 1 ? 'a way out for a note' : `a way out for ${made.length} notes`, {
      transpose: by,
      decisions: [...plan.decisions.filter(({ noteId }) => !decided.has(noteId)), ...made],
      pins: plan.pins.filter(({ noteId }) => !decided.has(noteId)),
    });
  };
  const undecide = (noteId: string) =>
    change('a note as written', { decisions: plan.decisions.filter((d) => d.noteId !== noteId) });
  const pin = (wish: Pin) =>
    change('a pin', {
      transpose: by,
      pins: [...plan.pins.filter(({ noteId }) => noteId !== wish.noteId), wish],
    });
  const unpin = (noteId: string) => change('a pin', { pins: plan.pins.filter((p) => p.noteId !== noteId) });
  const select = useCallback(
    (noteId: string | undefined) =>
      setParams(
        (before) => {
          const next = new URLSearchParams(before);
          if (noteId === undefined || next.get('at') === noteId) next.delete('at');
          else next.set('at', noteId);
          return next;
        },
        { replace: true },
      ),
    [setParams],
  );
  return {
    ...{
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
      at,
      alternatives,
    },
    ...{ second, loop, isBeside: params.has('beside') },
    ...{ change, move, play, add, putInto, take, putBeside, setLoop, decide, undecide, pin, unpin, select },
  };
}

/** What stands beside: the same song on an instrument of its own, moved by as much as the link says. */
function useBeside(
  params: URLSearchParams,
  asked: AskedSong | undefined,
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
