import { useCallback, useMemo } from 'react';
import { FAMILY_IDS, familyById, families, type Family } from '@same-song/core/instruments';
import {
  QUESTION_PARAMS,
  questionFromLink,
  questionToLink,
  storedQuestion,
  withUsualChords,
  type StoredQuestion,
} from '@same-song/core/route';
import { instruments, type InstrumentRecord } from '../api/records.ts';
import { useMapAhead } from '../compute/compute.ts';
import { dialectOf, useSettings } from '../api/settings.ts';
import { useLink, type Link } from '../frame/useLink.ts';
import { useLinkParams } from '../frame/useLinkParams.ts';
import { choose, ownKeyOf, isBorrowed, baseRef } from './reference.ts';

/** Parts of a question on which pins depend: their notes belong to one key. */
const OTHER_NOTES = ['tonic', 'scale'];

/** The instrument that a link names, or the one that was shown last. */
function useChosenInstrument(ref: string | null) {
  const { data: cabinet = NO_INSTRUMENTS, isPending, error } = instruments.useList();
  const { settings, loaded, change: changeSettings } = useSettings();
  const wanted = ref ?? settings.lastInstrument;
  const waiting = !error && (isPending || (!loaded && ref === null));
  const chosen = useMemo(() => choose(wanted, cabinet, waiting), [wanted, cabinet, waiting]);
  const family: Family = familyById(chosen?.spec.family ?? '') ?? families[FAMILY_IDS[0]!];
  const isAnother = ref !== null && chosen && baseRef(ref) !== baseRef(chosen.ref);
  return {
    cabinet,
    error,
    settings,
    settingsLoaded: loaded,
    changeSettings,
    waiting,
    chosen,
    family,
    /** The instrument that the link names and that is not there; another one is shown in its place. */
    lost: isAnother ? baseRef(ref) : undefined,
  };
}

type Chosen = ReturnType<typeof useChosenInstrument>;
const NO_INSTRUMENTS: readonly InstrumentRecord[] = [];

/** Has the map of a link computed while the page still draws, or before it is asked for at all. */
function useLookAhead({ chosen, cabinet, settings }: Chosen): (link: URLSearchParams) => void {
  const ahead = useMapAhead();
  return useCallback(
    (link) => {
      const ref = link.get('on');
      const there = ref === null || ref === chosen?.ref ? chosen : choose(ref, cabinet, false);
      const family = there && familyById(there.spec.family);
      if (!there || !family) return;
      const { question } = questionFromLink(Object.fromEntries(link), family, ownKeyOf(there));
      const notation = { naming: settings.naming, dialect: dialectOf(settings, family) };
      void ahead(there, storedQuestion(question), notation);
    },
    [chosen, cabinet, settings, ahead],
  );
}

/** Links of other questions than the one that stands. */
function useQuestionLinks({ current: currentLink }: Link, { chosen, family }: Chosen) {
  /** The question and the selection as they stand after every key pressed, drawn or not yet drawn. */
  const current = useCallback(() => {
    const link = currentLink();
    const read = questionFromLink(Object.fromEntries(link), family, ownKeyOf(chosen));
    return { question: storedQuestion(read.question), at: link.get('at') ?? undefined };
  }, [currentLink, family, chosen]);
  /** Another key or scale lets go of pins; a line made longer or turned round keeps them. */
  const withChange = useCallback(
    (part: Partial<StoredQuestion>) => {
      const { question: base, at: marked } = current();
      const keepsNotes = !Object.keys(part).some((field) => OTHER_NOTES.includes(field));
      const next = { ...base, ...(keepsNotes ? {} : { pins: [] }), ...withUsualChords(base, part) };
      const link = withQuestion(currentLink(), {
        ...(chosen && { on: chosen.ref }),
        ...questionToLink(next, family),
      });
      if (keepsNotes && marked) link.set('at', marked);
      return link;
    },
    [current, currentLink, chosen, family],
  );
  /** @param asked what is asked on the other instrument; the same without its pins when left out */
  const onInstrument = useCallback(
    (ref: string, asked: StoredQuestion = { ...current().question, pins: [] }) =>
      withQuestion(currentLink(), { on: ref, ...questionToLink(asked, family) }),
    [current, currentLink, family],
  );
  return { current, withChange, onInstrument };
}

/** The whole state of Map, read from the link and written to it; every change can be undone. */
export function useQuestion() {
  const link = useLink();
  const { params, search, current: currentLink, write: writeLink, replace } = link;
  const chosenInstrument = useChosenInstrument(params.get('on'));
  const { chosen, family, changeSettings } = chosenInstrument;
  const { question, problems } = useMemo(() => {
    const read = questionFromLink(Object.fromEntries(new URLSearchParams(search)), family, ownKeyOf(chosen));
    return { question: storedQuestion(read.question), problems: read.problems };
  }, [search, family, chosen]);
  const lookAhead = useLookAhead(chosenInstrument);
  const { current, withChange, onInstrument } = useQuestionLinks(link, chosenInstrument);
  const write = useCallback(
    (next: URLSearchParams, label: string) => {
      lookAhead(next);
      writeLink(next, label);
    },
    [lookAhead, writeLink],
  );
  const own = useLinkParams({ params, current: currentLink, write });
  const change = useCallback(
    (label: string, part: Partial<StoredQuestion>) => write(withChange(part), label),
    [withChange, write],
  );
  const changeInstrument = useCallback(
    (ref: string, label: string, asked?: StoredQuestion) => {
      write(onInstrument(ref, asked), label);
      if (!isBorrowed(ref)) changeSettings({ lastInstrument: baseRef(ref) });
    },
    [onInstrument, write, changeSettings],
  );
  /** Marks a note of the line (`3`) or a way (`way.3d2`); no step of its own in the browser's history. */
  const select = useCallback(
    (selection: string | undefined) => {
      const next = currentLink();
      if (selection === undefined) next.delete('at');
      else next.set('at', selection);
      replace(next);
    },
    [currentLink, replace],
  );
  const { setParam } = own;
  /** Sets another scale (`play:dorian`) or instrument (`on:…`) beside this one; nothing ends the comparison. */
  const compareWith = useCallback(
    (other: string | undefined) =>
      setParam('vs', other ?? '', other === undefined ? 'the end of the comparison' : 'the comparison'),
    [setParam],
  );
  return {
    ...own,
    ...chosenInstrument,
    question,
    problems,
    at: params.get('at') ?? undefined,
    against: params.get('vs') ?? undefined,
    current,
    change,
    changeInstrument,
    compareWith,
    select,
    /** What a picker rests on is likely to be asked next. */
    consider: (part: Partial<StoredQuestion>) => lookAhead(withChange(part)),
    considerInstrument: (ref: string) => lookAhead(onInstrument(ref)),
  };
}

export type QuestionState = ReturnType<typeof useQuestion>;

/** A link with its question and what is marked in it replaced; all other parameters belong to the place. */
function withQuestion(link: URLSearchParams, question: Readonly<Record<string, string>>): URLSearchParams {
  for (const name of ['on', 'at', ...QUESTION_PARAMS]) link.delete(name);
  for (const [name, value] of Object.entries(question)) link.set(name, value);
  return link;
}
