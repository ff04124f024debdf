import { useEffect, useMemo } from 'react';
import { Link } from 'react-router';
import { soundsAt, waysMeant } from '@same-song/core/ear';
import { pitchText, type Pitch } from '@same-song/core/music';
import { opensAt, OPENING_LEAST } from '@same-song/core/song';
import { songs } from '../api/records.ts';
import { dialectOf, useSettings } from '../api/settings.ts';
import { playedEvenly } from './examples.ts';
import { ForgetNotes } from './ForgetNotes.tsx';
import { useGathered } from './heard.ts';
import type { ListedSong } from '../songs/library/useLibrary.ts';
import type { UseProps } from './listeningUse.ts';

/** More notes than these begin no tune that is told from others by them. */
const MOST = 12;
/** Notes that are played for an example. */
const EXAMPLE = 6;

/** A tune is found by its first notes, played in any key. */
export function FindUse({ instrument, heard, onExample }: UseProps) {
  const { settings } = useSettings();
  const dialect = dialectOf(settings, instrument.family);
  const gathering = useGathered(heard);
  const { gathered } = gathering;
  // The table lists songs by their sketches, so none of them is opened for this.
  const { data } = songs.useTitles('kept');
  const list = useMemo((): readonly ListedSong[] => data ?? [], [data]);
  const notes = useMemo(
    () =>
      gathered.slice(0, MOST).map(({ midi }) => {
        const way = waysMeant(instrument, midi)[0]?.way;
        return { pitch: way?.pitch ?? Math.round(midi), tab: way ? instrument.tab(way, dialect) : '—' };
      }),
    [gathered, instrument, dialect],
  );
  const pitches = useMemo((): readonly Pitch[] => notes.map(({ pitch }) => pitch), [notes]);
  const found = useMemo(() => {
    if (pitches.length < OPENING_LEAST) return [];
    return list
      .flatMap((song) => {
        const at = song.sketch && opensAt(song.sketch, { kind: 'notes', pitches });
        return at === undefined ? [] : [{ song, at }];
      })
      .sort((a, b) => a.at - b.at);
  }, [list, pitches]);
  const example = useMemo(
    () =>
      exampleOf(
        list.map(({ sketch }) => sketch?.first ?? []),
        instrument,
      ),
    [list, instrument],
  );
  useEffect(
    () => onExample(playedEvenly(example, instrument.family.timbre, 0.45)),
    [onExample, example, instrument],
  );
  return (
    <>
      <section className="listen-now listen-alone" aria-label="What is heard" aria-live="polite">
        <p className="listen-way">
          {notes.length === 0
            ? 'Play how it begins.'
            : notes.map(({ tab }, i) => (
                <span key={i} className="heard-tab">
                  {tab}
                </span>
              ))}
        </p>
        <p className="listen-cents">{notes.map(({ pitch }) => pitchText(pitch)).join(' ')}</p>
      </section>
      <p className="hold-told">{foundWords(pitches.length, found.length)}</p>
      <ul className="plain-list found-tunes bare" aria-label="Songs that begin so">
        {found.map(({ song, at }) => (
          <li key={song.id}>
            <Link className="link" to={`/songs/${song.id}`}>
              {song.title}
            </Link>
            {at > 0 && ` (after ${at === 1 ? 'its first note' : `${at} notes`})`}
          </li>
        ))}
      </ul>
      <p className="practice-tools row">
        <ForgetNotes gathering={gathering} all="Begin again" />
      </p>
    </>
  );
}

function foundWords(notes: number, found: number): string {
  if (notes < OPENING_LEAST) return `${notes} of ${OPENING_LEAST} notes at least`;
  if (found === 0) return 'No song of yours begins so.';
  return found === 1 ? 'One song begins so:' : `${found} songs begin so:`;
}

/** The first notes of a tune that lie on an instrument, in whatever octave and key they do. */
function exampleOf(
  beginnings: readonly (readonly Pitch[])[],
  instrument: UseProps['instrument'],
): readonly number[] {
  const own = new Map(
    instrument.ways.filter(({ able }) => able).map((way) => [way.pitch, soundsAt(instrument, way)]),
  );
  const shifts = Array.from({ length: 49 }, (_, i) => (i % 2 === 0 ? i / 2 : -(i + 1) / 2));
  for (const first of beginnings) {
    const notes = first.slice(0, EXAMPLE);
    if (notes.length < EXAMPLE) continue;
    const by = shifts.find((shift) => notes.every((pitch) => own.has(pitch + shift)));
    if (by !== undefined) return notes.map((pitch) => own.get(pitch + by)!);
  }
  return [];
}
