import { useCallback, useMemo } from 'react';
import {
  QUESTION_PARAMS,
  questionFromLink,
  questionToLink,
  FAMILY_IDS,
  familyById,
  families,
  storedQuestion,
  type Family,
  type StoredQuestion,
} from '@same-song/core';
import { instruments } from '../api/records.ts';
import { useMapAhead } from '../compute/compute.ts';
import { dialectOf, useSettings } from '../api/settings.ts';
import { useLink } from '../frame/useLink.ts';
import { choose, ownKeyOf, isBorrowed, refStanding } from './reference.ts';

/** Parts of a question on which pins depend: their notes belong to one key. */
const OTHER_NOTES = ['tonic', 'scale'];

/** The whole state of Map, read from the link and written to it; every change can be undone. */
export function useQuestion() {
  const { params, search, current: currentLink, write: writeLink, replace } = useLink();
  const { data: cabinet, isPending, error } = instruments.useList();
  const { settings, loaded, change: changeSettings } = useSettings();
  const wanted = params.get('on') ?? settings.lastInstrument;
  const waiting = (isPending && !error) || (!loaded && !error && !params.has('on'));
  const chosen = useMemo(() => choose(wanted, cabinet ?? [], waiting), [wanted, cabinet, waiting]);
  const family: Family = familyById(chosen?.spec.family ?? '') ?? families[FAMILY_IDS[0]!];
  const asked = params.get('on');
  const lost =
    asked !== null && chosen && refStanding(asked) !== refStanding(chosen.ref)
      ? refStanding(asked)
      : undefined;
  const { question, problems } = useMemo(() => {
    const read = questionFromLink(Object.fromEntries(new URLSearchParams(search)), family, ownKeyOf(chosen));
    return { question: storedQuestion(read.question), problems: read.problems };
  }, [search, family, chosen]);
  const at = params.get('at') ?? undefined;
  const against = params.get('vs') ?? undefined;
  /** The question and the selection as they stand after every key pressed, drawn or not yet drawn. */
  const current = useCallback(() => {
    const link = currentLink();
    const read = questionFromLink(Object.fromEntries(link), family, ownKeyOf(chosen));
    return { question: storedQuestion(read.question), at: link.get('at') ?? undefined };
  }, [currentLink, family, chosen]);

  const ahead = useMapAhead();
  /** Has the map of a link computed while the page still draws, or before it is asked for at all. */
  const lookAhead = useCallback(
    (link: URLSearchParams) => {
      const ref = link.get('on');
      const there = ref === null || ref === chosen?.ref ? chosen : choose(ref, cabinet ?? [], false);
      const itsFamily = there && familyById(there.spec.family);
      if (!there || !itsFamily) return;
      const { question: asked } = questionFromLink(Object.fromEntries(link), itsFamily, ownKeyOf(there));
      const notation = { naming: settings.naming, dialect: dialectOf(settings, itsFamily) };
      void ahead(there, storedQuestion(asked), notation);
    },
    [chosen, cabinet, settings, ahead],
  );

  const write = useCallback(
    (next: URLSearchParams, label: string) => {
      lookAhead(next);
      writeLink(next, label);
    },
    [lookAhead, writeLink],
  );

  /** The link of a changed question. Another key or scale lets go of pins; a line made longer or turned round keeps them. */
  const changed = useCallback(
    (part: Partial<StoredQuestion>) => {
      const { question: base, at: marked } = current();
      const keepsNotes = !Object.keys(part).some((field) => OTHER_NOTES.includes(field));
      const next = { ...base, ...(keepsNotes ? {} : { pins: [] }), ...part };
      const link = withQuestion(currentLink(), {
        ...(chosen ? { on: chosen.ref } : {}),
        ...questionToLink(next, family),
      });
      if (keepsNotes && marked) link.set('at', marked);
      return link;
    },
    [current, currentLink, chosen, family],
  );
  const onInstrument = useCallback(
    (ref: string, asked: StoredQuestion = { ...current().question, pins: [] }) =>
      withQuestion(currentLink(), { on: ref, ...questionToLink(asked, family) }),
    [current, currentLink, family],
  );

  const change = useCallback(
    (label: string, part: Partial<StoredQuestion>) => write(changed(part), label),
    [changed, write],
  );
  /** @param asked what is asked on the other instrument; the same without its pins when left out */
  const changeInstrument = useCallback(
    (ref: string, label: string, asked?: StoredQuestion) => {
      write(onInstrument(ref, asked), label);
      if (!isBorrowed(ref)) changeSettings({ lastInstrument: refStanding(ref) });
    },
    [onInstrument, write, changeSettings],
  );
  /** What a picker rests on is likely to be asked next. */
  const consider = (part: Partial<StoredQuestion>) => lookAhead(changed(part));
  const considerInstrument = (ref: string) => lookAhead(onInstrument(ref));

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

  /** Sets another scale (`play:dorian`) or instrument (`on:…`) beside this one; nothing ends the comparison. */
  const compareWith = useCallback(
    (other: string | undefined) => {
      const next = currentLink();
      if (other === undefined) next.delete('vs');
      else next.set('vs', other);
      write(next, other === undefined ? 'the end of the comparison' : 'the comparison');
    },
    [currentLink, write],
  );

  /** Parameters of the place's own, such as the order of a table, in one step; an empty one is taken away. */
  const setParams = useCallback(
    (values: Readonly<Record<string, string>>, label: string) => {
      const next = currentLink();
      for (const [name, value] of Object.entries(values))
        if (value === '') next.delete(name);
        else next.set(name, value);
      write(next, label);
    },
    [currentLink, write],
  );
  const setParam = useCallback(
    (name: string, change: string | ((before: string) => string), label: string) => {
      const before = currentLink().get(name) ?? '';
      setParams({ [name]: typeof change === 'string' ? change : change(before) }, label);
    },
    [currentLink, setParams],
  );
  const param = (name: string) => params.get(name) ?? '';
  /** Puts an entry into a list of the place's own, or takes it out. */
  const flipParam = useCallback(
    (name: string, entry: string, label: string) =>
      setParam(
        name,
        (before) => {
          const entries = before.split(',').filter((e) => e !== '');
          return (entries.includes(entry) ? entries.filter((e) => e !== entry) : [...entries, entry]).join(
            ',',
          );
        },
        label,
      ),
    [setParam],
  );

  return {
    param,
    setParam,
    setParams,
    flipParam,
    question,
    at,
    against,
    compareWith,
    current,
    chosen,
    /** The instrument that the link names and that is not there; another one is shown in its place. */
    lost,
    family,
    waiting,
    error,
    problems: problems,
    cabinet: cabinet ?? [],
    settings,
    settingsLoaded: loaded,
    change,
    changeInstrument,
    consider,
    considerInstrument,
    changeSettings,
    select,
  };
}

export type QuestionState = ReturnType<typeof useQuestion>;

/** A link with its question and what is marked in it replaced; all other parameters belong to the place. */
function withQuestion(link: URLSearchParams, question: Readonly<Record<string, string>>): URLSearchParams {
  for (const name of ['on', 'at', ...QUESTION_PARAMS]) link.delete(name);
  for (const [name, value] of Object.entries(question)) link.set(name, value);
  return link;
}
