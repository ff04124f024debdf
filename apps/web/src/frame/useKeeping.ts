import { recordKind, type ContentOf, type RecordKindId } from '@same-song/core';
import { versionNow, type Kept, type RecordOf, type Records } from '../api/records.ts';
import { notify } from './notice.ts';
import { remember } from './undo.ts';

interface Words<Record> {
  /** What undo calls it, e.g. `adding the low E♭ harmonica`. */
  readonly label: (record: Record) => string;
  /** What is said when it is done. */
  readonly notice: (record: Record) => string;
  readonly onKept?: (record: Record) => void;
  /** After undo has taken it away again. */
  readonly onUndone?: () => unknown;
}

interface Change<Content> {
  readonly before: Content;
  readonly after: Content;
  readonly label: string;
  readonly notice: string;
  readonly onChanged?: () => void;
  /** Left out, the error is said. */
  readonly onFailed?: (error: Error) => void;
}

/** Keeps new records of a kind, changes them and puts old ones away; all can be undone and done again any number of times. */
export function useKeeping<K extends RecordKindId>(kind: Records<K>) {
  type Content = ContentOf<K>;
  type Record = RecordOf<K>;
  const add = kind.useAdd();
  const bin = kind.useBin();
  const restore = kind.useRestore();
  const save = kind.useSave();
  const binNow = async (id: string) => bin.mutateAsync({ id, version: await versionNow(kind.kind, id) });
  const failed = (error: Error) => notify(error.message, { kind: 'error' });
  // What follows hangs on the promise: whoever began it may have left the screen with the record's row.
  const keep = (content: Content, { label, notice, onKept, onUndone }: Words<Record>) =>
    void add.mutateAsync(content).then((record) => {
      remember({
        label: label(record),
        undo: async () => {
          await binNow(record.id);
          await onUndone?.();
        },
        redo: () => restore.mutateAsync(record.id),
      });
      notify(notice(record));
      onKept?.(record);
    }, failed);
  /** Gives a record other content, on top of the version that was seen. */
  const change = ({ id, version }: Kept, wanted: Change<Content>) => {
    const { before, after, label, notice, onChanged, onFailed = failed } = wanted;
    const saveNow = async (content: Content) =>
      save.mutateAsync({ id, version: await versionNow(kind.kind, id), content });
    void save.mutateAsync({ id, version, content: after }).then(() => {
      remember({ label, undo: () => saveNow(before), redo: () => saveNow(after) });
      notify(notice);
      onChanged?.();
    }, onFailed);
  };
  const putAway = (record: Record, onGone?: () => unknown) =>
    void bin.mutateAsync(record).then(() => {
      const title = recordKind(kind.kind).title(record);
      const undo = () => restore.mutateAsync(record.id);
      remember({ label: `putting ${title} into the bin`, undo, redo: () => binNow(record.id) });
      notify(`${title} is in the bin.`, { action: { label: 'Undo', run: () => void undo() } });
      void onGone?.();
    }, failed);
  const busy = add.isPending || save.isPending || bin.isPending;
  return { keep, change, putAway, busy, error: add.error, changeError: save.error };
}
