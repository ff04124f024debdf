import { useMemo } from 'react';
import { tempoCourses, type LogEntry } from '@same-song/core/practice';
import { AsTable } from './AsTable.tsx';
import { CourseChart } from './charts.tsx';

/** Items whose tempo is shown. */
const COURSES = 4;

/** Whether the tempo rises, item by item. */
export function TempoSection({ entries }: { readonly entries: readonly LogEntry[] }) {
  const courses = useMemo(() => tempoCourses(entries).slice(0, COURSES), [entries]);
  const rows = courses.flatMap(({ name, points }) =>
    points.map(({ at, tempo, share }) => [
      at.slice(0, 10),
      name,
      Math.round(tempo),
      `${Math.round(share * 100)} %`,
    ]),
  );
  return (
    <section>
      <h2>Is the tempo rising?</h2>
      {courses.length === 0 ? (
        <p>Nothing with a tempo has been played twice yet.</p>
      ) : (
        <>
          <ul className="plain-list">
            {courses.map(({ itemId, name, gained, points }) => (
              <li key={itemId}>
                <b>{name}</b>: {gainWords(gained)} than on {points[0]!.at.slice(0, 10)}, now{' '}
                {Math.round(points.at(-1)!.tempo)}
              </li>
            ))}
          </ul>
          <CourseChart label="Tempo by day" courses={courses} />
          <AsTable heads={['Day', 'What', 'Tempo', 'Clean']} rows={rows} />
        </>
      )}
    </section>
  );
}

/** @param gained beats a minute since the first time */
function gainWords(gained: number): string {
  if (gained === 0) return 'as fast as at first';
  return `${Math.abs(Math.round(gained))} beats a minute ${gained > 0 ? 'faster' : 'slower'}`;
}
