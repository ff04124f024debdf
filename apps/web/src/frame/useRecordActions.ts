import { useMutation, useQueryClient } from '@tanstack/react-query';
import { counted, asError } from '@same-song/core';
import {
  recordTitle,
  type ContentOf,
  type MadeChange,
  type RecordKindId,
  type Write,
} from '@same-song/core/records';
import { makeChange, undoChange } from '../api/changes.ts';
import { RequestError } from '../api/client.ts';
import { renewRecords, type Kept, type RecordOf, type Records } from '../api/records.ts';
import { notify } from './notice.ts';
import { ChangedSince, remember, undo, type Change } from './undo.ts';

interface Words<Record> {
  /** What undo calls it, e.g. `adding the low E♭ harmonica`. */
  readonly label: (record: Record) => string;
  /** What is said when it is done. */
  readonly notice: (record: Record) => string;
  readonly onKept?: (record: Record) => void;
  /** After undo has taken it away again. */
  readonly onUndone?: () => unknown;
}

interface Changing<Content, Record> {
  readonly after: Content;
  readonly label: string;
  readonly notice: string;
  readonly onChanged?: (record: Record) => void;
  /** Left out, the error is said. */
  readonly onFailed?: (error: Error) => void;
}

/** Writes of one request: a thousand songs are kept in a few of them. */
const WRITES_AT_ONCE = 100;

function failed(error: Error): void {
  notify(error.message, { kind: 'error' });
}

interface ManyWords {
  readonly label: string;
  readonly onProgress?: (done: number) => void;
}

/** Makes writes a hundred at a time; where one is refused, what was made before it stands. */
async function inBatches<K extends RecordKindId>(
  writes: readonly Write<K>[],
  make: (writes: readonly Write<K>[]) => Promise<MadeChange>,
  onProgress?: (done: number) => void,
): Promise<{ readonly made: readonly MadeChange[]; readonly done: number; readonly error?: Error }> {
  const made: MadeChange[] = [];
  let done = 0;
  try {
    while (done < writes.length) {
      const next = writes.slice(done, done + WRITES_AT_ONCE);
      made.push(await make(next));
      done += next.length;
      onProgress?.(done);
    }
  } catch (error) {
    return { made, done, error: asError(error) };
  }
  return { made, done };
}

/** Keeps new records of a kind, changes them and puts old ones away; all can be undone and done again any number of times. */
export function useRecordActions<K extends RecordKindId>(kind: Records<K>) {
  type Content = ContentOf<K>;
  type Record = RecordOf<K>;
  const client = useQueryClient();
  const renew = () => renewRecords(client);
  const making = useMutation({
    mutationFn: (writes: readonly Write<K>[]) => makeChange(writes),
    onSettled: renew,
  });
  // What follows hangs on the promise: whoever began it may have left the screen with the record's row.
  const make = (write: Write<K>) => making.mutateAsync([write]);
  const keep = (content: Content, { label, notice, onKept, onUndone }: Words<Record>) =>
    void make({ op: 'create', kind: kind.kind, content }).then((made) => {
      const record = made.records[0] as Record;
      const { undo: takeAway, redo } = reversible([made], renew);
      remember({
        label: label(record),
        undo: async (anyway) => {
          await takeAway(anyway);
          await onUndone?.();
        },
        redo,
      });
      notify(notice(record));
      onKept?.(record);
    }, failed);
  /** Makes many writes as one step of undo. @returns how many were made */
  const makeAll = async (writes: readonly Write<K>[], { label, onProgress }: ManyWords): Promise<number> => {
    const { made, done, error } = await inBatches(writes, making.mutateAsync, onProgress);
    if (error) failed(error);
    if (made.length > 0) remember({ label, ...reversible(made, renew) });
    return done;
  };
  /** Keeps several; undo takes all of them away again. */
  const keepAll = async (contents: readonly Content[], words: ManyWords) => {
    const writes = contents.map((content): Write<K> => ({ op: 'create', kind: kind.kind, content }));
    const done = await makeAll(writes, words);
    if (done > 0) notify(`${counted(done, 'record')} kept.`);
  };
  /** Gives a record other content, on top of the version that was seen. */
  const change = ({ id, version }: Kept, wanted: Changing<Content, Record>) => {
    const { after: content, label, notice, onChanged, onFailed = failed } = wanted;
    void make({ op: 'update', kind: kind.kind, id, version, content }).then((made) => {
      remember({ label, ...reversible([made], renew) });
      notify(notice);
      onChanged?.(made.records[0] as Record);
    }, onFailed);
  };
  /** Gives several records other contents; undo takes all of it back. @param beside what is written with them in the same step */
  const changeAll = async (
    wanted: readonly { readonly record: Kept; readonly after: Content }[],
    { label, notice }: Pick<Changing<Content, Record>, 'label' | 'notice'>,
    beside: readonly Write[] = [],
  ) => {
    const writes = wanted.map(({ record: { id, version }, after: content }): Write<K> => {
      return { op: 'update', kind: kind.kind, id, version, content };
    });
    // A change may write records of several kinds.
    const all = [...(beside as readonly Write<K>[]), ...writes];
    if ((await makeAll(all, { label })) === all.length) notify(notice);
  };
  /** @param record with its title at least */
  const moveToBin = (record: Kept & object, onGone?: () => unknown) => {
    const { id, version } = record;
    void make({ op: 'bin', kind: kind.kind, id, version }).then((made) => {
      const title = recordTitle(kind.kind, record);
      const away: Change = { label: `putting ${title} into the bin`, ...reversible([made], renew) };
      remember(away);
      const takeBack = () => void undo({ of: away }).catch(failed);
      notify(`${title} is in the bin.`, { action: { label: 'Undo', run: takeBack } });
      void onGone?.();
    }, failed);
  };
  return {
    keep,
    keepAll,
    change,
    changeAll,
    moveToBin,
    busy: making.isPending,
    error: making.error,
  };
}

/**
 * Takes changes back by the server, the last one first, and makes them again: what takes a change back is a change
 * itself, which is taken back in turn.
 * @param made changes that were made, or will be
 */
export function reversible(
  made: readonly { readonly id: string }[] | Promise<readonly { readonly id: string }[]>,
  renew: () => Promise<unknown>,
): Pick<Change, 'undo' | 'redo'> {
  let ids: readonly string[] | undefined;
  /** What took the first of them back, where one after them could not be yet. */
  let taken: readonly string[] = [];
  const takeBack = async (anyway = false) => {
    ids ??= (await made).map(({ id }) => id).reverse();
    try {
      for (let [next] = ids; next !== undefined; [next] = ids) {
        taken = [(await undoChange(next, anyway)).id, ...taken];
        ids = ids.slice(1);
      }
      [ids, taken] = [taken, []];
    } catch (error) {
      throw error instanceof RequestError && error.body.code === 'changed-since'
        ? new ChangedSince(error.message)
        : error;
    } finally {
      await renew();
    }
  };
  return { undo: takeBack, redo: takeBack };
}
