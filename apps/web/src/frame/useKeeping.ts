import { counted, recordTitle, type ContentOf, type RecordKindId } from '@same-song/core';
import { RequestError } from '../api/client.ts';
import { versionNow, type Kept, type RecordOf, type Records } from '../api/records.ts';
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
  /** What the record holds on the server. */
  readonly before: Content;
  readonly after: Content;
  readonly label: string;
  readonly notice: string;
  readonly onChanged?: (record: Record) => void;
  /** Left out, the error is said. */
  readonly onFailed?: (error: Error) => void;
}

/** The version in which this page last left a record: a newer one is somebody else's. */
const left = new Map<string, number>();

function leftAs<R extends Kept>(record: R): R {
  left.set(record.id, record.version);
  return record;
}

/** Keeps new records of a kind, changes them and puts old ones away; all can be undone and done again any number of times. */
export function useKeeping<K extends RecordKindId>(kind: Records<K>) {
  type Content = ContentOf<K>;
  type Record = RecordOf<K>;
  const add = kind.useAdd();
  const bin = kind.useBin();
  const restore = kind.useRestore();
  const save = kind.useSave();
  const failed = (error: Error) => notify(error.message, { kind: 'error' });
  const restoreNow = async (id: string) => leftAs(await restore.mutateAsync(id));
  /** Does something to a record as this page left it, or as it stands whoever changed it. */
  const onTopOf = async (id: string, anyway: boolean, act: (version: number) => Promise<Kept>) => {
    const known = left.get(id);
    try {
      leftAs(await act(anyway || known === undefined ? await versionNow(kind.kind, id) : known));
    } catch (error) {
      throw codeOf(error) === 'stale' ? new ChangedSince(CHANGED) : error;
    }
  };
  const binNow = (id: string, anyway = false) =>
    onTopOf(id, anyway, (version) => bin.mutateAsync({ id, version })).catch((error: unknown) => {
      // It lies there already.
      if (codeOf(error) !== 'not-found') throw error;
    });
  const saveNow = async (id: string, content: Content, anyway = false) => {
    try {
      if (anyway) await restoreNow(id);
      await onTopOf(id, anyway, (version) => save.mutateAsync({ id, version, content }));
    } catch (error) {
      throw codeOf(error) === 'not-found' ? new ChangedSince(BINNED) : error;
    }
  };
  // What follows hangs on the promise: whoever began it may have left the screen with the record's row.
  const keep = (content: Content, { label, notice, onKept, onUndone }: Words<Record>) =>
    void add.mutateAsync(content).then((record) => {
      const { id } = leftAs(record);
      remember({
        label: label(record),
        undo: async (anyway) => {
          await binNow(id, anyway);
          await onUndone?.();
        },
        redo: () => restoreNow(id),
      });
      notify(notice(record));
      onKept?.(record);
    }, failed);
  /** Keeps several, one after the other; undo takes all of them away again. */
  const keepAll = async (
    contents: readonly Content[],
    { label, onProgress }: { readonly label: string; readonly onProgress: (done: number) => void },
  ) => {
    const ids: string[] = [];
    try {
      for (const content of contents) {
        ids.push(leftAs(await add.mutateAsync(content)).id);
        onProgress(ids.length);
      }
    } catch (error) {
      failed(error as Error);
    }
    if (ids.length === 0) return;
    remember({
      label,
      undo: async (anyway) => {
        for (const id of ids) await binNow(id, anyway);
      },
      redo: async () => {
        for (const id of ids) await restoreNow(id);
      },
    });
    notify(`${counted(ids.length, 'record')} kept.`);
  };
  /** Gives a record other content, on top of the version that was seen. */
  const change = ({ id, version }: Kept, wanted: Changing<Content, Record>) => {
    const { before, after, label, notice, onChanged, onFailed = failed } = wanted;
    void save.mutateAsync({ id, version, content: after }).then((record) => {
      leftAs(record);
      remember({
        label,
        undo: (anyway) => saveNow(id, before, anyway),
        redo: (anyway) => saveNow(id, after, anyway),
      });
      notify(notice);
      onChanged?.(record);
    }, onFailed);
  };
  /** Gives several records other contents, one after the other; undo takes all of it back. @param made what it was, and what it shall be */
  const changeAll = async (
    made: readonly { readonly record: Kept; readonly before: Content; readonly after: Content }[],
    { label, notice }: Pick<Changing<Content, Record>, 'label' | 'notice'>,
  ) => {
    const done: (typeof made)[number][] = [];
    try {
      for (const one of made) {
        const { id, version } = one.record;
        leftAs(await save.mutateAsync({ id, version, content: one.after }));
        done.push(one);
      }
      notify(notice);
    } catch (error) {
      failed(error as Error);
    }
    if (done.length === 0) return;
    remember({
      label,
      undo: async (anyway) => {
        for (const { record, before } of done) await saveNow(record.id, before, anyway);
      },
      redo: async (anyway) => {
        for (const { record, after } of done) await saveNow(record.id, after, anyway);
      },
    });
  };
  const putAway = (record: Record, onGone?: () => unknown) =>
    void bin.mutateAsync(record).then((gone) => {
      const { id } = leftAs(gone);
      const title = recordTitle(kind.kind, record);
      const away: Change = {
        label: `putting ${title} into the bin`,
        undo: () => restoreNow(id),
        redo: (anyway) => binNow(id, anyway),
      };
      remember(away);
      const takeBack = () => void undo({ of: away }).catch(failed);
      notify(`${title} is in the bin.`, { action: { label: 'Undo', run: takeBack } });
      void onGone?.();
    }, failed);
  const busy = add.isPending || save.isPending || bin.isPending;
  return { keep, keepAll, change, changeAll, putAway, busy, error: add.error, changeError: save.error };
}

const CHANGED = 'It was changed elsewhere since.';
const BINNED = 'It was put into the bin since.';

function codeOf(error: unknown): string | undefined {
  return error instanceof RequestError ? error.body.code : undefined;
}
