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
  type Pin,
} from '@same-song/core';
import { instruments, songOf, songs } from '../api/records.ts';
import { dialectOf, useSettings } from '../api/settings.ts';
import { useSongAlternatives, useSongKeys, useSongView, type AskedSong } from '../compute/compute.ts';
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
  const { data: view, error: failed } = useSongView(chosen, asked, plan, notation);
  const { data: keys } = useSongKeys(chosen, asked, plan.preferences);
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
  const play = (ref: string, transpose = plan.transpose) => {
    const link = new URLSearchParams(search);
    for (const name of PLAN_PARAMS) link.delete(name);
    if (transpose !== 0) link.set('by', String(transpose));
    link.set('on', ref);
    go('another instrument', link);
  };
  const decide = (made: readonly Decision[]) => {
    const decided = new Set(made.map(({ noteId }) => noteId));
    return change(made.length === 1 ? 'a way out for a note' : `a way out for ${made.length} notes`, {
      decisions: [...plan.decisions.filter(({ noteId }) => !decided.has(noteId)), ...made],
      pins: plan.pins.filter(({ noteId }) => !decided.has(noteId)),
    });
  };
  const undecide = (noteId: string) =>
    change('a note as written', { decisions: plan.decisions.filter((d) => d.noteId !== noteId) });
  const pin = (wish: Pin) =>
    change('a pin', { pins: [...plan.pins.filter(({ noteId }) => noteId !== wish.noteId), wish] });
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
      view,
      keys,
      at,
      alternatives,
    },
    ...{ change, move, play, decide, undecide, pin, unpin, select },
  };
}

export type SongState = ReturnType<typeof useSong>;
