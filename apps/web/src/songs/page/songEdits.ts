import { asError } from '@same-song/core';
import { useSyncExternalStore } from 'react';
import { useQueryClient, type QueryClient } from '@tanstack/react-query';
import type { Result } from '@same-song/core';
import type { MadeChange } from '@same-song/core/records';
import { editedBy, type Song, type SongEdit } from '@same-song/core/song';
import { makeChange } from '../../api/changes.ts';
import { currentIn, isAway } from '../../api/client.ts';
import { putRecord, renewRecords, songOf, type SongRecord } from '../../api/records.ts';
import { notify } from '../../frame/notice.ts';
import { forget, remember, type Change } from '../../frame/undo.ts';
import { reversible } from '../../frame/useRecordActions.ts';

/** Edits that were made with one press, and are undone as one. */
interface Press {
  readonly edits: readonly SongEdit[];
  readonly change: Change;
  readonly settle: { made(change: MadeChange): void; failed(error: Error): void };
}

/** A song with edits that the server has not taken yet. */
interface EditedSong {
  /** As the server last gave it. */
  readonly record: SongRecord;
  readonly waiting: readonly Press[];
  /** With all of them made. */
  readonly shown: SongRecord;
  /** Differs whenever what is shown does. */
  readonly key: string;
}

/** How long nothing is sent to a server that does not answer, in ms. */
const AGAIN_AFTER = 3_000;

const edited = new Map<string, EditedSong>();
const listeners = new Set<() => void>();
let changes = 0;

function put(id: string, record: SongRecord, waiting: readonly Press[]): void {
  changes += 1;
  const { version } = record;
  const shown = { ...withEdits(songOf(record), waiting), id, version };
  edited.set(id, { record, waiting, shown, key: `${id}@${version}+${changes}` });
  listeners.forEach((listener) => listener());
}

/** Edits that no longer fit the song, since somebody else took their note away, are left out. */
function withEdits(song: Song, waiting: readonly Press[]): Song {
  return waiting.reduce((made, { edits }) => {
    const next = editedBy(made, edits);
    return next.ok ? next.value : made;
  }, song);
}

/**
 * Makes edits of a song: they are shown at once and sent in their turn, each laid upon the song as it then is on the
 * server, whoever changed it. What the server does not take is said, and shown no more.
 * @returns the song as it is shown from now on, or why the edits cannot be made
 */
export function editSong(
  client: QueryClient,
  record: SongRecord,
  edits: readonly SongEdit[],
  label: string,
): Result<Song> {
  const { id } = record;
  const before = edited.get(id);
  const result = editedBy(songOf(before?.shown ?? record), edits);
  if (!result.ok) return result;
  let settle!: Press['settle'];
  const made = new Promise<readonly MadeChange[]>((resolve, reject) => {
    settle = { made: (change) => resolve([change]), failed: reject };
  });
  // Whoever undoes it hears of a refusal; nobody else has to.
  made.catch(() => undefined);
  const change: Change = { label, ...reversible(made, () => renewRecords(client)) };
  remember(change);
  put(id, before?.record ?? record, [...(before?.waiting ?? []), { edits, change, settle }]);
  if (!before) void sendAll(client, id);
  return result;
}

/** Sends what waits of a song, one press after the other. */
async function sendAll(client: QueryClient, id: string): Promise<void> {
  for (let isTold = false; ;) {
    const { record, waiting } = edited.get(id)!;
    const [press] = waiting;
    if (!press) {
      putRecord(client, 'songs', record);
      edited.delete(id);
      await renewRecords(client);
      listeners.forEach((listener) => listener());
      return;
    }
    const drop = (error: Error) => {
      forget(press.change);
      press.settle.failed(error);
      notify(error.message, { kind: 'error' });
      put(id, record, edited.get(id)!.waiting.slice(1));
    };
    const wanted = editedBy(songOf(record), press.edits);
    if (!wanted.ok) {
      drop(new Error(`${wanted.problems[0]!.message} “${press.change.label}” could not be made.`));
      continue;
    }
    try {
      const { version } = record;
      const made = await makeChange([{ op: 'update', kind: 'songs', id, version, content: wanted.value }]);
      press.settle.made(made);
      put(id, made.records[0]!, edited.get(id)!.waiting.slice(1));
      isTold = false;
    } catch (error) {
      const current = currentIn<SongRecord>(error);
      if (current) put(id, current, edited.get(id)!.waiting);
      else if (isAway(error)) {
        if (!isTold) notify('The server does not answer. The change is sent when it is back.');
        isTold = true;
        await new Promise((again) => setTimeout(again, AGAIN_AFTER));
      } else drop(asError(error));
    }
  }
}

/** A song with the edits that wait, and what it is known by to whatever is worked out of it. */
export function useEditedSong(record: SongRecord | null | undefined): {
  readonly record: SongRecord | null | undefined;
  readonly key: string | undefined;
} {
  const own = useSyncExternalStore(listen, () => (record ? edited.get(record.id) : undefined));
  if (!record || !own) return { record, key: record ? `${record.id}@${record.version}` : undefined };
  return { record: own.shown, key: own.key };
}

/** Makes edits of a song from a page that shows it, and says what was done. */
export function useSongEdits(record: SongRecord) {
  const client = useQueryClient();
  return (edits: readonly SongEdit[], label: string, notice = `The song is changed: ${label}.`) => {
    const result = editSong(client, record, edits, label);
    if (result.ok) notify(notice);
    else notify(result.problems[0]!.message);
  };
}

function listen(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}
