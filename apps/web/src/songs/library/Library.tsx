import { useMemo } from 'react';
import { Link } from 'react-router';
import { expectOk } from '@same-song/core';
import { namer, keyOf, parseNote, scaleById } from '@same-song/core/music';
import { Loading } from '../../controls/Loading.tsx';
import { LinkButton } from '../../controls/LinkButton.tsx';
import { arrangements, songs } from '../../api/records.ts';
import { VirtualTable, type Column } from '../../controls/VirtualTable.tsx';
import { useRecordActions } from '../../frame/useRecordActions.ts';
import { keyWords, type LibraryRow, type LibraryState, type ListedSong } from './useLibrary.ts';

/** The songs that answer what is asked, a row each. */
export function Library({ library, onWrite }: { library: LibraryState; onWrite: () => void }) {
  const { list, rows, asked, instrument, degrees, twice, searching } = library;
  const { data: kept = [] } = arrangements.useTitles('kept');
  const { moveToBin } = useRecordActions(songs);
  const arranged = useMemo(() => counts(kept.map(({ songId }) => songId ?? '')), [kept]);
  if (list.length === 0)
    return (
      <div className="songs-empty">
        <p>No songs yet. Bring one in whatever form you have it:</p>
        <ul>
          <li>
            <LinkButton onClick={onWrite}>Write or paste it</LinkButton> as ABC, as degrees, or as tab of any
            instrument.
          </li>
          <li>Read ABC, MusicXML or MIDI files, or drop them onto this page.</li>
        </ul>
      </div>
    );
  if (searching) return <Loading>Holding every tune against every other…</Loading>;
  if (rows.length === 0)
    return (
      <p className="songs-empty">
        {twice && asked.trim() === ''
          ? 'No tune is here twice.'
          : `No song has “${asked}” in its title, tags or key, or begins so.`}
      </p>
    );
  const on = instrument ? library.on : undefined;
  const knows = degrees?.ok ?? false;
  return (
    <VirtualTable
      label="Songs"
      columns={COLUMNS.filter(({ id }) => (id !== 'fits' || on !== undefined) && (id !== 'lacks' || knows))}
      rows={rows}
      keyOf={({ song }) => song.id}
    >
      {(row) => (
        <SongCells
          row={row}
          on={on}
          knows={knows}
          arranged={arranged.get(row.song.id) ?? 0}
          onBin={moveToBin}
        />
      )}
    </VirtualTable>
  );
}

/** Columns; `songs-more` are left out on a narrow page. */
const COLUMNS: readonly (Column & { readonly id?: string })[] = [
  { label: 'Title' },
  { label: 'Key' },
  { label: 'Metre' },
  { id: 'fits', label: 'Fits in' },
  { id: 'lacks', label: 'Still to learn' },
  { label: 'Tags', className: 'songs-more' },
  { label: 'By', className: 'songs-more' },
  { label: 'Arranged', className: 'songs-more' },
  { label: 'Put away', silent: true },
];

interface SongCellsProps {
  readonly row: LibraryRow;
  /** The instrument on which it is to fit. */
  readonly on: string | undefined;
  readonly knows: boolean;
  readonly arranged: number;
  readonly onBin: (song: ListedSong) => void;
}

function SongCells({ row, on, knows, arranged, onBin }: SongCellsProps) {
  const { song, fit, lacks, opens, twins } = row;
  const { id, title, keys, metres, tags = [], composer = '' } = song;
  const link = new URLSearchParams({
    ...(on !== undefined && { on }),
    ...(fit && { by: String(fit.transpose) }),
  }).toString();
  return (
    <>
      <th scope="row">
        <Link to={`/songs/${id}${link === '' ? '' : `?${link}`}`} dir="auto">
          {title}
        </Link>
        {opens !== undefined && (
          <small className="below">{opens === 0 ? 'begins so' : `so from note ${opens + 1} on`}</small>
        )}
        {twins && <small className="below">the same tune as {twins.join(', ')}</small>}
      </th>
      <td>{keyWords(keys)}</td>
      <td>{metres?.[0] ? `${metres[0].count}/${metres[0].unit}` : 'free'}</td>
      {on !== undefined && <td className="songs-fits">{fit && fitText(row)}</td>}
      {knows && <td>{lacks && (lacks.length === 0 ? 'nothing' : lacks.join(' '))}</td>}
      <td className="songs-more">{tags.join(', ')}</td>
      <td className="songs-more" dir="auto">
        {composer}
      </td>
      <td className="songs-more">{arranged > 0 ? arranged : ''}</td>
      <td>
        <LinkButton label={`Put ${title} into the bin`} onClick={() => onBin(song)}>
          bin
        </LinkButton>
      </td>
    </>
  );
}

/** How often each of them is there. */
function counts(list: readonly string[]): ReadonlyMap<string, number> {
  const found = new Map<string, number>();
  for (const one of list) found.set(one, (found.get(one) ?? 0) + 1);
  return found;
}

/** Notes that are named; of more it is told how many. */
const NAMED = 3;

/** `D`, or `D, but for C♯5`. */
function fitText({ fit, song }: LibraryRow): string {
  const { keyName, missing } = fit!;
  if (missing.length === 0) return keyName;
  const scale = expectOk(scaleById(song.keys![0]!.scale));
  const { withOctave } = namer(keyOf(scale, expectOk(parseNote(keyName))));
  const notes =
    missing.length <= NAMED ? missing.map(withOctave).join(', ') : `${missing.length} of its notes`;
  return `${keyName}, but for ${notes}`;
}
