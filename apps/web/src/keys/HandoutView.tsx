import Button from '@mui/material/Button';
import { useMemo } from 'react';
import { familyById } from '@same-song/core/instruments';
import { usualChords, type StoredQuestion } from '@same-song/core/route';
import { Loading } from '../controls/Loading.tsx';
import { SignButton } from '../controls/SignButton.tsx';
import { dialectOf } from '../api/settings.ts';
import { useMapView } from '../compute/compute.ts';
import { Picklist } from '../controls/Picklist.tsx';
import { InventoryTerms } from '../question/InventoryTerms.tsx';
import { scaleWords, tonicWords } from '../question/questionWords.ts';
import { questionOn, choose, baseRef } from '../question/reference.ts';
import type { QuestionState } from '../question/useQuestion.ts';
import { SceneView } from '../scene/SceneView.tsx';
import {
  beginsPage,
  BREAKS,
  movedEntry,
  rangeForAll,
  readHandout,
  withEntries,
  withoutEntry,
  type HandoutEntry,
} from './handout.ts';
import type { KeysViewProps } from './keysView.ts';

/** Several scales, keys or instruments as the pages that a teacher hands out: large tab, drawing, what to leave out. */
export function HandoutView({ state }: KeysViewProps) {
  const { param, setParam, question, chosen } = state;
  const text = param('pages');
  const entries = useMemo(() => readHandout(text), [text]);
  const breaks = param('breaks');
  const change = (next: string) => setParam('pages', next, 'the hand-out');
  const asked = { scale: question.scale, tonic: question.tonic, ref: chosen!.ref };
  return (
    <div className="split handout">
      <section className="handout-list no-print" aria-label="What goes on it">
        <Button variant="contained" onClick={() => change(withEntries(text, [asked]))}>
          Add what is asked above
        </Button>
        {entries.length === 0 ? (
          <p>
            Nothing is on it yet. Add what is asked above, change its key, scale or instrument, and add that
            too; or choose cells in “All keys” and put them on it.
          </p>
        ) : (
          <>
            <ol>
              {entries.map((entry, i) => (
                <li key={i}>
                  <span>{nameOf(entry, state)}</span>
                  <SignButton
                    label={`Up: ${nameOf(entry, state)}`}
                    sign="↑"

                    onClick={() => change(movedEntry(text, i, -1))}
                  />
                  <SignButton
                    label={`Down: ${nameOf(entry, state)}`}
                    sign="↓"

                    onClick={() => change(movedEntry(text, i, 1))}
                  />
                  <SignButton
                    label={`Take out: ${nameOf(entry, state)}`}
                    sign="×"

                    onClick={() => change(withoutEntry(text, i))}
                  />
                </li>
              ))}
            </ol>
            <Picklist
              label="Pages"
              silent
              value={breaks}
              choices={BREAKS}
              onChange={(id) => setParam('breaks', id, 'the pages')}
            />
            <p>
              <Button variant="contained" onClick={() => window.print()}>
                Print
              </Button>{' '}
              <Button variant="text" onClick={() => change('')}>
                Empty it
              </Button>
            </p>
          </>
        )}
      </section>
      <div className="handout-pages">
        {entries.map((entry, i) => (
          <Entry
            key={`${entry.scale} ${entry.tonic} ${entry.ref}`}
            entry={entry}
            state={state}
            newPage={beginsPage(breaks, entries, i)}
          />
        ))}
      </div>
    </div>
  );
}

function nameOf(entry: HandoutEntry, { cabinet }: QuestionState): string {
  const instrument = choose(entry.ref, cabinet, false);
  return `${tonicWords(entry)} ${scaleWords(entry)} on ${instrument?.spec.name ?? '…'}`;
}

interface EntryProps {
  readonly entry: HandoutEntry;
  readonly state: QuestionState;
  readonly newPage: boolean;
}

function Entry({ entry, state, newPage }: EntryProps) {
  const { cabinet, settings, question } = state;
  const above = state.chosen!;
  const chosen = useMemo(() => choose(entry.ref, cabinet, false), [entry.ref, cabinet]);
  const family = familyById(chosen?.spec.family ?? '');
  const isGone = chosen !== undefined && baseRef(chosen.ref) !== baseRef(entry.ref);
  const asked = useMemo((): StoredQuestion => {
    const { scale, tonic } = entry;
    const range = rangeForAll(question);
    const inKey = { ...question, scale, tonic, range, chords: usualChords(scale), direction: 'up' as const };
    return questionOn(inKey, above.spec, chosen?.spec ?? above.spec);
  }, [question, entry, above, chosen]);
  const dialect = family ? dialectOf(settings, family) : '';
  const { data: view, error } = useMapView(isGone ? undefined : chosen, asked, {
    naming: settings.naming,
    dialect,
  });
  const title = nameOf(entry, state);
  const className = newPage ? 'handout-entry new-page' : 'handout-entry';
  if (isGone || error || !family)
    return (
      <section className={className}>
        <p role="alert">
          {isGone
            ? 'The instrument of this entry is no longer in the cabinet.'
            : `${title} cannot be written: ${error?.message ?? 'there is no such instrument'}`}
        </p>
      </section>
    );
  if (!view) return <Loading>Writing {title}…</Loading>;
  return (
    <section className={className}>
      <h2>{title}</h2>
      <p>{[view.facts.notes.join(' '), ...view.instrumentFacts, ...view.facts.between].join(' · ')}</p>
      <ol className="handout-tab row bare">
        {view.line.map((note) => (
          <li key={note.id}>
            <b>{note.tab ?? '—'}</b>
            <span>
              {note.degree} {note.bareNote}
            </span>
          </li>
        ))}
      </ol>
      <div className="handout-drawing">
        <SceneView scene={view.scene} label={title} />
      </div>
      <dl className="handout-lists">
        <InventoryTerms view={view} techniques={family.techniques} without={['in', 'not-yet']} />
      </dl>
    </section>
  );
}
