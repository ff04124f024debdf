import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { tuneOf, type Tune } from '@same-song/core/practice';
import { contentsOf, songOf, songs, type SongRecord } from '../../api/records.ts';
import type { Practice } from '../usePracticeData.ts';

/** As many songs are asked from at once. */
const MOST = 24;

/** How songs begin that one may know: those that are practised first. Undefined until they are there. */
export function useTunes({ own }: Practice, wanted: boolean): readonly Tune[] | undefined {
  const { data: titles } = songs.useTitles('kept');
  const ids = useMemo(() => {
    if (!titles) return undefined;
    const kept = titles.filter(({ broken }) => !broken).map(({ id }) => id);
    const practised = own.flatMap(({ songId }) =>
      songId !== undefined && kept.includes(songId) ? [songId] : [],
    );
    return [...new Set([...practised, ...kept])].slice(0, MOST);
  }, [titles, own]);
  const { data: records } = useQuery({
    queryKey: ['songs', 'kept', 'tunes', ids],
    queryFn: () =>
      contentsOf<SongRecord>(
        'songs',
        ids!.map((id) => ({ id })),
      ),
    enabled: wanted && ids !== undefined,
  });
  return useMemo(() => records?.flatMap((record) => tuneOf(songOf(record)) ?? []), [records]);
}
