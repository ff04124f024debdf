import { asError } from '@same-song/core';
import { randomInt } from 'node:crypto';
import { accessSync, constants, existsSync, mkdirSync, realpathSync, statSync } from 'node:fs';
import { dirname } from 'node:path';
import { Logger } from '@nestjs/common';
import { QueryTypes } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';
import sqlite3 from 'sqlite3';
import { ChangedRecordModel, ChangeModel } from '../records/change.model.ts';
import { RecordLinkModel, RecordModel } from '../records/record.model.ts';
import { SettingsModel } from '../settings/settings.model.ts';
import { StartError } from '../startError.ts';
import { fullySynchronous } from './fullySynchronous.ts';
import { runIn, setLeftOverAside } from './leftOver.ts';
import { migrate, MIGRATIONS } from './migrations.ts';

/** An open, migrated database and the way to let go of it. */
export interface OpenDatabase {
  readonly sequelize: Sequelize;
  close(): Promise<void>;
}

/**
 * Opens the SQLite file: makes it if it is not there, takes it for this process alone, checks it, copies it before
 * migrating, migrates. On any failure the file is left as it was.
 * @param library how SQLite is reached
 * @throws StartError with what to do
 */
export async function openDatabase(
  path: string,
  migrations = MIGRATIONS,
  library: typeof sqlite3 = sqlite3,
): Promise<OpenDatabase> {
  makeFolder(path);
  // By whatever name it is called, it is one file, and one lock.
  const file = existsSync(path) ? realpathSync(path) : path;
  refuseReadOnly(file);
  refuseSecondName(file);
  const lock = await takeLock(file);
  try {
    const aside = await setLeftOverAside(file, lock.lastRun);
    if (aside)
      new Logger('Database').warn(
        `${file} was put in the place of another one. The last writes to that one were set aside as ${aside}.`,
      );
    const sequelize = await connect(file, library);
    try {
      await migrate(sequelize, file, migrations);
      await lock.note(await beginRun(sequelize));
    } catch (error) {
      await sequelize.close();
      throw error;
    }
    const close = async () => {
      await intoTheFile(sequelize);
      await sequelize.close();
      await lock.release();
    };
    return { sequelize, close };
  } catch (error) {
    await lock.release();
    throw error;
  }
}

/** Puts all writes into the file itself, so that a copy of it alone is whole. */
export async function intoTheFile(sequelize: Sequelize): Promise<void> {
  await sequelize.query('PRAGMA wal_checkpoint(TRUNCATE)');
}

/** Numbers this run in the file, and says the number. */
async function beginRun(sequelize: Sequelize): Promise<number> {
  const run = randomInt(1, 2 ** 31 - 1);
  await sequelize.query(`PRAGMA user_version = ${run}`);
  await intoTheFile(sequelize);
  return run;
}

/** A second hard link is a name by which another program could write past the lock. */
function refuseSecondName(file: string): void {
  if (!existsSync(file) || statSync(file).nlink === 1) return;
  throw new StartError(
    `${file} has a second name (a hard link), so that two could write to it without seeing each other. Remove the other name, or set SAME_SONG_DB to a copy.`,
  );
}

function makeFolder(file: string): void {
  try {
    mkdirSync(dirname(file), { recursive: true });
  } catch (error) {
    throw new StartError(
      `The folder ${dirname(file)} cannot be made (${asError(error).message}). Set SAME_SONG_DB to a file elsewhere.`,
    );
  }
}

/** A file without any write permission is meant to stay as it is, even for a user who could override that. */
function refuseReadOnly(file: string): void {
  for (const path of [dirname(file), ...(existsSync(file) ? [file] : [])]) {
    const stat = statSync(path);
    if (path === file && !stat.isFile())
      throw new StartError(`${file} is not a file. Set SAME_SONG_DB to a database file.`);
    if ((stat.mode & 0o222) !== 0 && mayWrite(path)) continue;
    throw new StartError(
      `${path} is read-only, so nothing could be saved. Allow writing (chmod u+w), or set SAME_SONG_DB to another file.`,
    );
  }
}

function mayWrite(path: string): boolean {
  try {
    accessSync(path, constants.W_OK);
    return true;
  } catch {
    return false;
  }
}

interface Lock {
  /** The number of the run that had the file last; 0 for none. */
  readonly lastRun: number;
  note(run: number): Promise<void>;
  release(): Promise<void>;
}

/**
 * Holds an exclusive lock on a file beside the database for as long as the process lives; the operating system lets go
 * of it when the process ends, however it ends. The number of the run stands in it.
 */
async function takeLock(file: string): Promise<Lock> {
  const path = `${file}.lock`;
  const handle = await new Promise<sqlite3.Database>((resolve, reject) => {
    const opened: sqlite3.Database = new sqlite3.Database(path, (error) =>
      error ? reject(error) : resolve(opened),
    );
  });
  const run = (sql: string) =>
    new Promise<void>((resolve, reject) => handle.exec(sql, (error) => (error ? reject(error) : resolve())));
  const release = () => new Promise<void>((resolve) => handle.close(() => resolve()));
  try {
    // Held beyond the end of its transactions.
    await run('PRAGMA locking_mode = EXCLUSIVE; BEGIN EXCLUSIVE; COMMIT');
  } catch {
    await release();
    throw new StartError(
      `Another Same Song is already using ${file}. Stop it first, or set SAME_SONG_DB to another file.`,
    );
  }
  return { lastRun: runIn(path), note: (number) => run(`PRAGMA user_version = ${number}`), release: release };
}

async function connect(file: string, library: typeof sqlite3): Promise<Sequelize> {
  const sequelize = new Sequelize({
    dialect: 'sqlite',
    storage: file,
    logging: false,
    repositoryMode: true,
    models: [RecordModel, RecordLinkModel, ChangeModel, ChangedRecordModel, SettingsModel],
    dialectModule: fullySynchronous(library),
  });
  try {
    await assertOwnDatabase(sequelize, file);
    await sequelize.query('PRAGMA journal_mode = WAL');
    const rows = await sequelize.query<{ quick_check: string }>('PRAGMA quick_check', {
      type: QueryTypes.SELECT,
    });
    if (rows[0]?.quick_check !== 'ok') throw new Error(rows[0]?.quick_check ?? 'no answer');
    return sequelize;
  } catch (error) {
    await sequelize.close();
    if (error instanceof StartError) throw error;
    throw new StartError(
      `${file} is not a sound database (${asError(error).message}). It was left as it is. Put a copy from before in its place, or set SAME_SONG_DB to another file.`,
    );
  }
}

/** A database of another program is left alone. */
async function assertOwnDatabase(sequelize: Sequelize, file: string): Promise<void> {
  const tables = await sequelize.query<{ name: string }>(
    "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%'",
    { type: QueryTypes.SELECT },
  );
  if (tables.length === 0 || tables.some(({ name }) => name === 'SequelizeMeta')) return;
  throw new StartError(
    `${file} is a database of another program; it was left as it is. Set SAME_SONG_DB to another file.`,
  );
}
