import { useMemo, useState } from 'react';
import { counted, expectOk } from '@same-song/core';
import { centsWords, isPlayersOwn, type WaySound } from '@same-song/core/ear';
import { openInstrument } from '@same-song/core/instruments';
import { shares, soundReport, timeWords, type SoundReport, type SoundRow } from '@same-song/core/practice';
import { specOf } from '../../api/records.ts';
import { InstrumentPicklist } from '../../controls/InstrumentPicklist.tsx';
import { Picklist } from '../../controls/Picklist.tsx';
import { AsTable } from './AsTable.tsx';
import { ShareChart } from './charts.tsx';
import { dayHere } from '../today/today.ts';
import type { Practice } from '../usePracticeData.ts';

const WEEKS = 8;

type By = 'places' | 'ways' | 'techniques';
const BY: readonly { readonly id: By; readonly label: string }[] = [
  { id: 'places', label: 'hole, button or string' },
  { id: 'ways', label: 'every way' },
  { id: 'techniques', label: 'technique' },
];

/** What was sharp and flat, early and late, where it was listened to. */
export function SoundSection({ practice: { entries, cabinet } }: { readonly practice: Practice }) {
  const [now] = useState(() => Date.now());
  const heard = useMemo(
    () =>
      cabinet.filter(({ id }) =>
        entries.some(
          (entry) => entry.instrumentId === id && Object.values(entry.ways).some(({ sound }) => sound),
        ),
      ),
    [cabinet, entries],
  );
  const [on, setOn] = useState('');
  const [by, setBy] = useState<By>('places');
  const record = heard.find(({ id }) => id === on) ?? heard[0];
  const instrument = useMemo(() => record && expectOk(openInstrument(specOf(record))), [record]);
  const report = useMemo(
    () =>
      record &&
      instrument &&
      soundReport(entries, instrument, record.id, { today: dayHere(now), weeks: WEEKS, dayOf: dayHere }),
    [entries, instrument, record, now],
  );
  if (!record || !instrument || !report?.whole)
    return (
      <section>
        <h2>Was it in tune and in time?</h2>
        <p>Nothing has been listened to yet. Press M in the player, and what is heard is told here.</p>
      </section>
    );
  const own = new Set(
    instrument.ways
      .filter((way) => isPlayersOwn(instrument, way))
      .map(({ id, technique }) => `${by === 'techniques' ? technique : id}`),
  );
  return (
    <section>
      <h2>Was it in tune and in time?</h2>
      <div className="practice-tools row">
        <InstrumentPicklist label="On" value={record.id} cabinet={heard} onChange={setOn} />
        <Picklist label="by" value={by} choices={BY} onChange={setBy} />
      </div>
      <p>{wholeWords(report.whole, report)}</p>
      <table className="record-table card">
        <thead>
          <tr>
            <th scope="col">{BY.find(({ id }) => id === by)!.label}</th>
            <th scope="col">Heard</th>
            <th scope="col">In the middle</th>
            <th scope="col">Too sharp</th>
            <th scope="col">Too flat</th>
            <th scope="col">When</th>
            <th scope="col">Early</th>
            <th scope="col">Late</th>
          </tr>
        </thead>
        <tbody>
          {report[by].map(({ id, label, sound }) => (
            <tr key={id}>
              <th scope="row">{label}</th>
              <td>{sound.times}×</td>
              <td>{centsWords(sound.cents, own.has(id))}</td>
              <td>{often(sound.sharp)}</td>
              <td>{often(sound.flat)}</td>
              <td>{timeWords(sound.ms)}</td>
              <td>{often(sound.early)}</td>
              <td>{often(sound.late)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <Weeks weeks={report.weeks} />
    </section>
  );
}

/** Whether it gets better, week by week. */
function Weeks({ weeks }: Pick<SoundReport, 'weeks'>) {
  const told = weeks.filter(({ sound }) => sound);
  if (told.length < 2) return null;
  const [first, last] = [told[0]!.sound!, told.at(-1)!.sound!];
  const change = (of: (sound: WaySound) => number) => Math.round(100 * (of(last) - of(first)));
  const words = (points: number) =>
    points === 0
      ? 'as much as'
      : `${counted(Math.abs(points), 'point')} ${points > 0 ? 'more' : 'less'} than`;
  return (
    <>
      <h3>Over weeks</h3>
      <p>
        In tune {words(change((sound) => shares(sound).inTune))} in the week of {told[0]!.monday}, in time{' '}
        {words(change((sound) => shares(sound).inTime))} then.
      </p>
      <ShareChart
        label="Share of what was heard that was in tune and in time, by week"
        columns={weeks.map(({ monday }) => monday.slice(5))}
        lines={[
          { name: 'in tune', shares: weeks.map(({ sound }) => sound && shares(sound).inTune) },
          { name: 'in time', shares: weeks.map(({ sound }) => sound && shares(sound).inTime) },
        ]}
      />
      <AsTable
        heads={['Week of', 'Heard', 'In tune', 'In time', 'In the middle']}
        rows={weeks.map(({ monday, sound }) =>
          sound
            ? [
                monday,
                `${sound.times}×`,
                percent(shares(sound).inTune),
                percent(shares(sound).inTime),
                centsWords(sound.cents),
              ]
            : [monday, '', '', '', ''],
        )}
      />
    </>
  );
}

/** `Of 240 notes 81 % were in tune and 92 % in time. Most often flat: 3; most often sharp: 5.` */
function wholeWords(whole: WaySound, { places }: SoundReport): string {
  const { inTune, inTime } = shares(whole);
  const most = (of: 'sharp' | 'flat' | 'late') => {
    const worst = [...places].sort((a, b) => rate(b, of) - rate(a, of))[0];
    return worst && worst.sound[of] > 0 ? ` Most often ${of}: ${worst.label}.` : '';
  };
  return (
    `Of ${counted(whole.times, 'note')} ${percent(inTune)} were in tune and ${percent(inTime)} in time.` +
    most('flat') +
    most('sharp') +
    most('late')
  );
}

function rate({ sound }: SoundRow, of: 'sharp' | 'flat' | 'late'): number {
  return sound[of] / sound.times;
}

function often(count: number): string {
  return count === 0 ? '' : `${count}×`;
}

function percent(share: number): string {
  return `${Math.round(100 * share)} %`;
}
