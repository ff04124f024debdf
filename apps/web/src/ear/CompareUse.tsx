import Button from '@mui/material/Button';
import { useEffect, useMemo, useState } from 'react';
import {
  centsWords,
  measure,
  measuringOf,
  type AlternateRow,
  type Candidate,
  type InstrumentSpec,
} from '@same-song/core';
import { instruments, specOf } from '../api/records.ts';
import { dialectOf, useSettings } from '../api/settings.ts';
import { useAlternates } from '../compute/compute.ts';
import { Picklist } from '../controls/Picklist.tsx';
import { useShortcuts } from '../frame/shortcuts.ts';
import { useKeeping } from '../frame/useKeeping.ts';
import { playedWays } from './examples.ts';
import { useGathered } from './heard.ts';
import type { UseProps } from './uses.ts';

/** The ways of one note side by side: each is played, its cents are heard, and one is recommended. */
export function CompareUse({ chosen, instrument, heard, onExample }: UseProps) {
  const { settings } = useSettings();
  const dialect = dialectOf(settings, instrument.family);
  /** The way that is played now; nobody can tell it by its sound. */
  const [playing, setPlaying] = useState<string | undefined>(undefined);
  const { gathered, clear } = useGathered(heard, playing);
  const measurements = useMemo(
    () =>
      measure(
        instrument,
        gathered.filter(({ wayId }) => wayId !== undefined),
      ),
    [instrument, gathered],
  );
  /** The instrument as it would be with what was heard. */
  const spec = useMemo((): InstrumentSpec => {
    const { ways } = measuringOf(instrument, measurements, '');
    const now = Object.fromEntries(
      Object.entries(ways).map(([id, { pitch, cents }]) => [id, { pitch, cents: Math.round(cents) }]),
    );
    return { ...chosen.spec, measured: { ...chosen.spec.measured, ...now } };
  }, [instrument, measurements, chosen.spec]);
  const { data: rows } = useAlternates(spec, dialect, 2);
  const [pitch, setPitch] = useState<string | undefined>(undefined);
  const row = rows?.find((one) => String(one.pitch) === pitch) ?? fullest(rows ?? []);
  const ids = useMemo(() => row?.candidates.map(({ wayId }) => wayId) ?? [], [row]);
  const now = ids.find((id) => id === playing) ?? ids[0];
  useEffect(() => setPlaying(now), [now]);
  useEffect(() => {
    const way = instrument.ways.find(({ id }) => id === now);
    onExample(playedWays(instrument, way ? [way, way, way] : []));
  }, [onExample, instrument, now]);
  const { change, busy } = useKeeping(instruments);
  const { record } = chosen;
  const take = (choices: InstrumentSpec['choices'], notice: string) => {
    if (!record) return;
    const before = specOf(record);
    change(record, {
      after: { ...before, measured: spec.measured, choices },
      label: `the ways of ${row!.note} on ${record.name}`,
      notice,
      onChanged: clear,
    });
  };
  const step = (by: number) => {
    const at = ids.indexOf(now ?? '');
    if (ids.length > 0) setPlaying(ids[(at + by + ids.length) % ids.length]);
  };
  useShortcuts([
    { key: 'ArrowRight', label: 'The next way is played', group: 'Listening', run: () => step(1) },
    { key: 'ArrowLeft', label: 'The way before is played', group: 'Listening', run: () => step(-1) },
  ]);
  if (!rows) return <p className="loading">Comparing every way…</p>;
  if (!row) return <p>No pitch of this instrument can be had in more than one way.</p>;
  const others = chosen.spec.choices.filter((id) => !ids.includes(id));
  return (
    <>
      <div className="practice-tools">
        <Picklist
          label="The ways of"
          value={String(row.pitch)}
          choices={rows.map((one) => ({
            id: String(one.pitch),
            label: `${one.note} (${one.candidates.length})`,
          }))}
          onChange={setPitch}
        />
        <span>
          between {row.between.join(' and ')}. Say which one you play, then play it a few times: they cannot
          be told apart by ear.
        </span>
      </div>
      <ul className="compared">
        {row.candidates.map((candidate) => (
          <Compared
            key={candidate.wayId}
            candidate={candidate}
            times={measurements.find(({ way }) => way.id === candidate.wayId)?.count ?? 0}
            isPlaying={candidate.wayId === now}
            busy={busy || record === undefined}
            onPlay={() => setPlaying(candidate.wayId)}
            onChoose={() =>
              take(
                candidate.chosen ? others : [...others, candidate.wayId],
                candidate.chosen ? 'The line decides again.' : `${candidate.words} is your choice now.`,
              )
            }
          />
        ))}
      </ul>
      {measurements.length > 0 && (
        <p className="practice-tools">
          <Button
            variant="outlined"
            disabled={busy || record === undefined}
            onClick={() => take(chosen.spec.choices, 'The cents are in its map now.')}
          >
            Take these cents into its map
          </Button>
          <Button variant="text" onClick={clear}>
            Forget what was heard
          </Button>
        </p>
      )}
    </>
  );
}

interface ComparedProps {
  readonly candidate: Candidate;
  /** How often it was heard. */
  readonly times: number;
  readonly isPlaying: boolean;
  readonly busy: boolean;
  readonly onPlay: () => void;
  readonly onChoose: () => void;
}

function Compared({ candidate, times, isPlaying, busy, onPlay, onChoose }: ComparedProps) {
  const { tab, words, moves, measured, recommended, chosen } = candidate;
  return (
    <li className={isPlaying ? 'playing' : ''}>
      <button type="button" className="compared-way" aria-pressed={isPlaying} onClick={onPlay}>
        <b>{tab}</b>
        {words !== tab && <span>{words}</span>}
        <span>{isPlaying ? 'you play this one' : 'I play this one'}</span>
      </button>
      <p>
        {measured === undefined ? 'not heard yet' : centsWords(measured)}
        {times > 0 && `, ${times}×`}
      </p>
      <ul className="plain-list">
        {moves.length === 0 && <li>asks next to nothing</li>}
        {moves.map(({ label, count }) => (
          <li key={label}>
            {label} {count}
          </li>
        ))}
      </ul>
      <p className="compared-best">{recommended ? 'recommended' : ' '}</p>
      <Button size="small" variant={chosen ? 'contained' : 'outlined'} disabled={busy} onClick={onChoose}>
        {chosen ? 'Your choice' : 'Choose it'}
      </Button>
    </li>
  );
}

/** Ways that are worth comparing before all others. */
const SEVERAL = 3;

/** The lowest pitch with several ways, where it is played most easily; else the one with most. */
function fullest(rows: readonly AlternateRow[]): AlternateRow | undefined {
  return (
    rows.find(({ candidates }) => candidates.length >= SEVERAL) ??
    [...rows].sort((a, b) => b.candidates.length - a.candidates.length)[0]
  );
}
