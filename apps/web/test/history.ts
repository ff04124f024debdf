import * as history from '../src/frame/undo.ts';

/** Undoes, and tells what. */
export async function undo(wish?: history.Wish): Promise<string | undefined> {
  return (await history.undo(wish))?.label;
}

/** Makes again, and tells what. */
export async function redo(wish?: history.Wish): Promise<string | undefined> {
  return (await history.redo(wish))?.label;
}
