import { useMemo, useState } from 'react';
import { noteText, USUAL_KEYS } from '@same-song/core/music';
import { minutesByDay, minutesByKey, type LogEntry } from '@same-song/core/practice';
import { dayHere } from '../today/today.ts';
import type { Practice } from '../usePracticeData.ts';
import { AsTable } from './AsTable.tsx';
import { BarChart } from './charts.tsx';
import { SoundSection } from './SoundSection.tsx';
import { TempoSection } from './TempoSection.tsx';
import { WeakSpots } from './WeakSpots.tsx';

const DAYS = 14;

/** Questions and their answers: what was played lately, whether the tempo rises, what is neglected, where it goes wrong. */
export function ProgressView({ practice }: { readonly practice: Practice }) {
  const { entries, person } = practice;
  if (entries.length === 0)
    return (
      <div className="progress">
        <h1>Progress</h1>
        <p>Nothing has been played yet. After the first rounds it is shown here how it goes.</p>
      </div>
    );
  return (
    <div className="progress">
      <h1>How it goes{person ? ` with ${person.name}` : ''}</h1>
      <DaysSection entries={entries} />
      <TempoSection entries={entries} />
      <KeysSection entries={entries} />
      <SoundSection practice={practice} />
      <WeakSpots practice={practice} />
    </div>
  );
}

interface SectionProps {
  readonly entries: readonly LogEntry[];
}

/** Minutes of the last two weeks, day by day. */
function DaysSection({ entries }: SectionProps) {
  const [now] = useState(() => Date.now());
  const days = useMemo(
    () => minutesByDay(entries, { today: dayHere(now), days: DAYS, dayOf: dayHere }),
    [entries, now],
  );
  const minutesOf = (some: typeof days) => some.reduce((sum, { minutes }) => sum + minutes, 0);
  return (
    <section>
      <h2>What was played these two weeks?</h2>
      <p>
        {Math.round(minutesOf(days.slice(-7)))} minutes in the last seven days,{' '}
        {Math.round(minutesOf(days.slice(0, -7)))} in the seven before.
      </p>
      <BarChart
        label={`Minutes a day, ${DAYS} days`}
        bars={days.map(({ day, minutes }) => ({
          label: dayWords(day),
          value: minutes,
          title: `${day}: ${Math.round(minutes)} minutes`,
        }))}
      />
      <AsTable
        heads={['Day', 'Minutes', 'What']}
        rows={days.map(({ day, minutes, byName }) => [
          day,
          Math.round(minutes),
          byName.map((one) => `${one.name} ${Math.round(one.minutes)}`).join(', '),
        ])}
      />
    </section>
  );
}

/** Minutes in each of the twelve keys. */
function KeysSection({ entries }: SectionProps) {
  const keys = useMemo(
    () => minutesByKey(entries).map((minutes, key) => ({ label: noteText(USUAL_KEYS[key]!), minutes })),
    [entries],
  );
  const silent = keys.filter(({ minutes }) => minutes === 0).map(({ label }) => label);
  return (
    <section>
      <h2>Which keys are neglected?</h2>
      <p>{silent.length === 0 ? 'Every key was played.' : `Not played at all: ${silent.join(', ')}.`}</p>
      <BarChart
        label="Minutes in each key"
        bars={keys.map(({ label, minutes }) => ({
          label,
          value: minutes,
          title: `${label}: ${Math.round(minutes)} minutes`,
        }))}
      />
      <AsTable rows={keys.map(({ label, minutes }) => [label, `${Math.round(minutes)} minutes`])} />
    </section>
  );
}

function dayWords(day: string): string {
  const date = new Date(`${day}T12:00:00`);
  return date.toLocaleDateString(undefined, { weekday: 'short', day: 'numeric' });
}
