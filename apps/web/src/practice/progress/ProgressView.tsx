import { useMemo, useState } from 'react';
import {
  familyById,
  minutesByDay,
  minutesByKey,
  noteText,
  tempoCourses,
  USUAL_KEYS,
  waysOf,
  defaultQuestion,
} from '@same-song/core';
import { dialectOf, useSettings } from '../../api/settings.ts';
import { useMapView } from '../../compute/compute.ts';
import { Picklist } from '../../controls/Picklist.tsx';
import { choose } from '../../question/reference.ts';
import { SceneView } from '../../scene/SceneView.tsx';
import { BarChart, CourseChart } from './charts.tsx';
import { SoundSection } from './SoundSection.tsx';
import { localOffset } from '../today/today.ts';
import type { Practice } from '../usePractice.ts';

const DAYS = 14;
const COURSES = 4;

/** Three questions and their answers: what was played lately, whether the tempo rises, what is neglected. */
export function ProgressView({ practice }: { readonly practice: Practice }) {
  const { entries, person } = practice;
  const [now] = useState(() => Date.now());
  const days = useMemo(
    () => minutesByDay(entries, { now, days: DAYS, offset: localOffset() }),
    [entries, now],
  );
  const courses = useMemo(() => tempoCourses(entries).slice(0, COURSES), [entries]);
  const keys = useMemo(() => minutesByKey(entries), [entries]);
  if (entries.length === 0)
    return (
      <div className="progress">
        <h1>Progress</h1>
        <p>Nothing has been played yet. After the first rounds it is shown here how it goes.</p>
      </div>
    );
  const week = days.slice(-7).reduce((sum, day) => sum + day.minutes, 0);
  const before = days.slice(0, -7).reduce((sum, day) => sum + day.minutes, 0);
  const bars = days.map(({ day, minutes }) => ({
    label: dayWords(day),
    value: minutes,
    title: `${day}: ${rounded(minutes)} minutes`,
  }));
  const keyBars = keys.map((minutes, key) => {
    const label = noteText(USUAL_KEYS[key]!);
    return { label, value: minutes, title: `${label}: ${rounded(minutes)} minutes` };
  });
  const silent = keyBars.filter(({ value }) => value === 0).map(({ label }) => label);
  return (
    <div className="progress">
      <h1>How it goes{person ? ` with ${person.name}` : ''}</h1>
      <section>
        <h2>What was played these two weeks?</h2>
        <p>
          {rounded(week)} minutes in the last seven days, {rounded(before)} in the seven before.
        </p>
        <BarChart label={`Minutes a day, ${DAYS} days`} bars={bars} />
        <details>
          <summary>As a table</summary>
          <table>
            <thead>
              <tr>
                <th scope="col">Day</th>
                <th scope="col">Minutes</th>
                <th scope="col">What</th>
              </tr>
            </thead>
            <tbody>
              {days.map(({ day, minutes, byName }) => (
                <tr key={day}>
                  <th scope="row">{day}</th>
                  <td>{rounded(minutes)}</td>
                  <td>{byName.map((one) => `${one.name} ${rounded(one.minutes)}`).join(', ')}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </details>
      </section>
      <section>
        <h2>Is the tempo rising?</h2>
        {courses.length === 0 ? (
          <p>Nothing with a tempo has been played twice yet.</p>
        ) : (
          <>
            <ul className="plain-list">
              {courses.map(({ itemId, name, gained, points }) => (
                <li key={itemId}>
                  <b>{name}</b>:{' '}
                  {gained === 0
                    ? 'as fast as at first'
                    : `${Math.abs(Math.round(gained))} beats a minute ${gained > 0 ? 'faster' : 'slower'}`}{' '}
                  than on {points[0]!.at.slice(0, 10)}, now {Math.round(points.at(-1)!.tempo)}
                </li>
              ))}
            </ul>
            <CourseChart label="Tempo by day" courses={courses} />
            <details>
              <summary>As a table</summary>
              <table>
                <thead>
                  <tr>
                    <th scope="col">Day</th>
                    <th scope="col">What</th>
                    <th scope="col">Tempo</th>
                    <th scope="col">Clean</th>
                  </tr>
                </thead>
                <tbody>
                  {courses.flatMap(({ name, itemId, points }) =>
                    points.map(({ at, tempo, share }) => (
                      <tr key={itemId + at}>
                        <th scope="row">{at.slice(0, 10)}</th>
                        <td>{name}</td>
                        <td>{Math.round(tempo)}</td>
                        <td>{Math.round(share * 100)} %</td>
                      </tr>
                    )),
                  )}
                </tbody>
              </table>
            </details>
          </>
        )}
      </section>
      <section>
        <h2>Which keys are neglected?</h2>
        <p>{silent.length === 0 ? 'Every key was played.' : `Not played at all: ${silent.join(', ')}.`}</p>
        <BarChart label="Minutes in each key" bars={keyBars} />
        <details>
          <summary>As a table</summary>
          <table>
            <tbody>
              {keyBars.map(({ label, value }) => (
                <tr key={label}>
                  <th scope="row">{label}</th>
                  <td>{rounded(value)} minutes</td>
                </tr>
              ))}
            </tbody>
          </table>
        </details>
      </section>
      <SoundSection practice={practice} />
      <WeakSpots practice={practice} />
    </div>
  );
}

/** Steps of heat, by the share that went wrong. */
const HEAT = [0.1, 0.25, 0.45] as const;

/** Where it goes wrong on one instrument: as heat on its drawing, and as a list. */
function WeakSpots({ practice }: { readonly practice: Practice }) {
  const { entries, cabinet } = practice;
  const { settings } = useSettings();
  const played = useMemo(
    () =>
      cabinet.filter(({ id }) =>
        entries.some((entry) => entry.instrumentId === id && Object.keys(entry.ways).length > 0),
      ),
    [cabinet, entries],
  );
  const [on, setOn] = useState('');
  const instrument = played.find(({ id }) => id === on) ?? played[0];
  const chosen = useMemo(() => instrument && choose(instrument.id, cabinet, false), [instrument, cabinet]);
  const family = familyById(instrument?.family ?? '');
  const question = useMemo(() => family && defaultQuestion(family), [family]);
  const { data: view } = useMapView(chosen, question ?? defaultQuestion(familyById('diatonic')!), {
    naming: settings.naming,
    dialect: family ? dialectOf(settings, family) : '',
  });
  const records = useMemo(
    () => (instrument ? waysOf(entries, instrument.id) : new Map<string, never>()),
    [entries, instrument],
  );
  const heat = useMemo(
    () =>
      new Map(
        [...records.values()].flatMap(({ wayId, played: times, missed }) =>
          times > 0 ? [[wayId, HEAT.filter((step) => missed / times >= step).length] as const] : [],
        ),
      ),
    [records],
  );
  if (!instrument || !view) return null;
  const worst = [...records.values()]
    .filter(({ missed, wayId }) => missed > 0 && view.ways.some(({ id }) => id === wayId))
    .sort((a, b) => b.missed / b.played - a.missed / a.played || b.played - a.played)
    .slice(0, 8);
  const wordsOf = (wayId: string) => view.ways.find(({ id }) => id === wayId)?.words ?? wayId;
  const names = new Map(
    view.ways.map((way) => {
      const record = records.get(way.id);
      return [
        way.id,
        record ? `${way.words}: ${record.missed} of ${record.played} missed` : `${way.words}: not asked yet`,
      ];
    }),
  );
  return (
    <section>
      <h2>Where does it go wrong?</h2>
      <Picklist
        label="On"
        value={instrument.id}
        choices={played.map(({ id, name }) => ({ id, label: name }))}
        onChange={setOn}
      />
      <div className="drill-drawing">
        <SceneView
          scene={view.scene}
          label="Where it goes wrong: the darker, the more often"
          names={names}
          heat={heat}
        />
      </div>
      <ol>
        {worst.map(({ wayId, played: times, missed }) => (
          <li key={wayId}>
            {wordsOf(wayId)}: {missed} of {times} missed
          </li>
        ))}
      </ol>
    </section>
  );
}

function rounded(minutes: number): number {
  return Math.round(minutes);
}

function dayWords(day: string): string {
  const date = new Date(`${day}T12:00:00`);
  return date.toLocaleDateString(undefined, { weekday: 'short', day: 'numeric' });
}
