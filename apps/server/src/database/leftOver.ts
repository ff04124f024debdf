import {
  closeSync,
  copyFileSync,
  existsSync,
  mkdtempSync,
  openSync,
  readSync,
  renameSync,
  rmSync,
  statSync,
} from 'node:fs';
import { dirname, join } from 'node:path';
import sqlite3 from 'sqlite3';

/**
 * What a crash leaves beside the database: `….sqlite-wal` holds the last writes, and SQLite puts them into the file when
 * it is next opened. Where somebody has meanwhile put a copy from before in the file's place, they would be put into
 * that and destroy it. So the number of the last run stands both in the file and beside it, and both are looked at
 * before anything is touched.
 */

/** Where the number of the last run stands in a SQLite file: its user version, big-endian. */
const RUN = { at: 60, bytes: 4 };

/** The number of the run that last had a file, read without opening it as a database; 0 for none. */
export function runIn(file: string): number {
  if (!existsSync(file) || statSync(file).size < RUN.at + RUN.bytes) return 0;
  const handle = openSync(file, 'r');
  try {
    const bytes = Buffer.alloc(RUN.bytes);
    readSync(handle, bytes, 0, RUN.bytes, RUN.at);
    return bytes.readInt32BE();
  } finally {
    closeSync(handle);
  }
}

/**
 * Sets the left-over writes of another file aside, under a name that is told; undefined where there are none, or where
 * they belong to this file.
 * @param lastRun the number that is noted beside the file; 0 where none is
 */
export async function setLeftOverAside(file: string, lastRun: number): Promise<string | undefined> {
  const writes = `${file}-wal`;
  if (!existsSync(writes) || statSync(writes).size === 0) return undefined;
  const isReplaced = lastRun !== 0 && runIn(file) !== lastRun;
  if (!isReplaced && (await isSoundCopy([file, writes]))) return undefined;
  // Unsound by itself too it is for the start to refuse, with everything left as it is.
  if (!(await isSoundCopy([file]))) return undefined;
  let aside = `${file}.left-over-wal`;
  for (let n = 2; existsSync(aside); n += 1) aside = `${file}.left-over-${n}-wal`;
  renameSync(writes, aside);
  rmSync(`${file}-shm`, { force: true });
  return aside;
}

/** Whether copies of a database and of what lies beside it make a sound one. The files themselves are only read. */
async function isSoundCopy(files: readonly string[]): Promise<boolean> {
  const [first] = files;
  const folder = mkdtempSync(join(dirname(first!), '.check-'));
  try {
    const copy = join(folder, 'copy.sqlite');
    for (const file of files) copyFileSync(file, copy + file.slice(first!.length));
    return await isSound(copy);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

function isSound(file: string): Promise<boolean> {
  return new Promise((resolve) => {
    const database: sqlite3.Database = new sqlite3.Database(file, sqlite3.OPEN_READWRITE, (unopened) => {
      if (unopened) return resolve(false);
      database.get('PRAGMA quick_check', (error, row: { quick_check?: string } | undefined) => {
        database.close(() => resolve(error === null && row?.quick_check === 'ok'));
      });
    });
  });
}
