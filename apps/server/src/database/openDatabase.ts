import { accessSync, constants, existsSync, mkdirSync, statSync } from 'node:fs';
import { dirname } from 'node:path';
import { QueryTypes } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';
import sqlite3 from 'sqlite3';
import { RecordLinkModel, RecordModel } from '../records/record.model.ts';
import { SettingsModel } from '../settings/settings.model.ts';
import { StartError } from '../startError.ts';
import { migrate, MIGRATIONS } from './migrations.ts';

/** An open, migrated database and the way to let go of it. */
export interface OpenDatabase {
  readonly sequelize: Sequelize;
  close(): Promise<void>;
}

/**
 * Opens the SQLite file: makes it if it is not there, takes it for this process alone, checks it, copies it before
 * migrating, migrates. On any failure the file is left as it was.
 * @throws StartError with what to do
 */
export async function openDatabase(file: string, migrations = MIGRATIONS): Promise<OpenDatabase> {
  makeFolder(file);
  refuseReadOnly(file);
  const unlock = await lock(file);
  try {
    const sequelize = await connect(file);
    try {
      await migrate(sequelize, file, migrations);
    } catch (error) {
      await sequelize.close();
      throw error;
    }
    const close = async () => {
      await sequelize.close();
      await unlock();
    };
    return { sequelize, close };
  } catch (error) {
    await unlock();
    throw error;
  }
}

function makeFolder(file: string): void {
  try {
    mkdirSync(dirname(file), { recursive: true });
  } catch (error) {
    throw new StartError(
      `The folder ${dirname(file)} cannot be made (${(error as Error).message}). Set SAME_SONG_DB to a file elsewhere.`,
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

/**
 * Holds an exclusive lock on a file beside the database for as long as the process lives; the operating system lets go
 * of it when the process ends, however it ends.
 */
async function lock(file: string): Promise<() => Promise<void>> {
  const handle = await new Promise<sqlite3.Database>((resolve, reject) => {
    const opened: sqlite3.Database = new sqlite3.Database(`${file}.lock`, (error) =>
      error ? reject(error) : resolve(opened),
    );
  });
  const run = (sql: string) =>
    new Promise<void>((resolve, reject) => handle.run(sql, (error) => (error ? reject(error) : resolve())));
  const close = () => new Promise<void>((resolve) => handle.close(() => resolve()));
  try {
    await run('BEGIN EXCLUSIVE');
  } catch {
    await close();
    throw new StartError(
      `Another Same Song is already using ${file}. Stop it first, or set SAME_SONG_DB to another file.`,
    );
  }
  return close;
}

async function connect(file: string): Promise<Sequelize> {
  const sequelize = new Sequelize({
    dialect: 'sqlite',
    storage: file,
    logging: false,
    repositoryMode: true,
    models: [RecordModel, RecordLinkModel, SettingsModel],
    hooks: {
      afterConnect: (connection) => {
        (connection as sqlite3.Database).run('PRAGMA synchronous = FULL');
      },
    },
  });
  try {
    await sequelize.query('PRAGMA journal_mode = WAL');
    const rows = await sequelize.query<{ quick_check: string }>('PRAGMA quick_check', {
      type: QueryTypes.SELECT,
    });
    if (rows[0]?.quick_check !== 'ok') throw new Error(rows[0]?.quick_check ?? 'no answer');
    return sequelize;
  } catch (error) {
    await sequelize.close();
    throw new StartError(
      `${file} is not a sound database (${(error as Error).message}). It was left as it is. Put a copy from before in its place, or set SAME_SONG_DB to another file.`,
    );
  }
}
