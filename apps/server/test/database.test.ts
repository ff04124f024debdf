import {
  chmodSync,
  copyFileSync,
  existsSync,
  linkSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { QueryTypes, type QueryInterface, type Transaction } from 'sequelize';
import { Sequelize } from 'sequelize-typescript';
import sqlite3 from 'sqlite3';
import { MIGRATIONS } from '../src/database/migrations.ts';
import { openDatabase } from '../src/database/openDatabase.ts';
import { RecordModel } from '../src/records/record.model.ts';
import { harmonica, temporaryFolder } from './server.ts';

const fileIn = (folder: string) => join(folder, 'data', 'x.sqlite');

async function filled(): Promise<string> {
  const file = fileIn(temporaryFolder());
  const { sequelize, close } = await openDatabase(file);
  const id = '00000000-0000-4000-8000-000000000001';
  const record = { id, kind: 'instruments', title: 'Kept', content: harmonica('Kept'), version: 1 };
  await sequelize.getRepository(RecordModel).create(record);
  await close();
  return file;
}

test('the folder is made; the file is in WAL mode with foreign keys on and full synchronisation, in transactions too', async () => {
  const { sequelize, close } = await openDatabase(fileIn(temporaryFolder()));
  const pragma = async (name: string, transaction?: Transaction) => {
    const options = { type: QueryTypes.SELECT, ...(transaction && { transaction }) } as const;
    return Object.values((await sequelize.query<object>(`PRAGMA ${name}`, options))[0]!)[0] as unknown;
  };
  expect(await pragma('journal_mode')).toBe('wal');
  await sequelize.transaction(async (transaction) => {
    expect(await pragma('synchronous', transaction)).toBe(2);
    expect(await pragma('foreign_keys', transaction)).toBe(1);
  });
  await close();
});

test('writes are on the disk before they are acknowledged, whatever the library does by default', async () => {
  /** A library whose connections are careless when they open. */
  class Careless extends sqlite3.Database {
    constructor(file: string, mode: number, opened: (error: Error | null) => void) {
      super(file, mode, (error) => {
        if (error) return opened(error);
        this.run('PRAGMA synchronous = OFF', (failed: Error | null) => opened(failed));
      });
    }
  }
  const careless = { ...sqlite3, Database: Careless } as typeof sqlite3;
  const { sequelize, close } = await openDatabase(fileIn(temporaryFolder()), undefined, careless);
  const synchronous = async (transaction?: Transaction) => {
    const options = { type: QueryTypes.SELECT, ...(transaction && { transaction }) } as const;
    const [row] = await sequelize.query<{ synchronous: number }>('PRAGMA synchronous', options);
    return row!.synchronous;
  };
  // 2 is FULL.
  expect(await synchronous()).toBe(2);
  await sequelize.transaction(async (transaction) => {
    expect(await synchronous(transaction)).toBe(2);
  });
  await close();
});

test('data is there when the file is opened again', async () => {
  const file = await filled();
  const { sequelize, close } = await openDatabase(file);
  expect((await sequelize.getRepository(RecordModel).findAll()).map((record) => record.title)).toEqual([
    'Kept',
  ]);
  await close();
});

test('a second opening of the same file is refused, and works once the first has let go', async () => {
  const file = await filled();
  const first = await openDatabase(file);
  await expect(openDatabase(file)).rejects.toThrow(/Another Same Song is already using/);
  await first.close();
  await (await openDatabase(file)).close();
});

test('a file that is no database is refused and left byte for byte as it was', async () => {
  const file = await filled();
  const bytes = Buffer.concat([Buffer.from('not a database at all '), Buffer.alloc(5000, 7)]);
  writeFileSync(file, bytes);
  await expect(openDatabase(file)).rejects.toThrow(/not a sound database/);
  expect(readFileSync(file).equals(bytes)).toBe(true);
});

test('a read-only file or folder is refused with what to do', async () => {
  const file = await filled();
  chmodSync(file, 0o444);
  await expect(openDatabase(file)).rejects.toThrow(/read-only.*chmod u\+w/);
  chmodSync(file, 0o644);
  chmodSync(join(file, '..'), 0o555);
  await expect(openDatabase(file)).rejects.toThrow(/read-only/);
  chmodSync(join(file, '..'), 0o755);
});

test('a file from a newer version is refused and not touched', async () => {
  const file = await filled();
  await change(file, "INSERT INTO SequelizeMeta (name) VALUES ('9999-later')");
  await expect(openDatabase(file)).rejects.toThrow(/newer Same Song.*9999-later/);
});

test('before a migration the data is copied beside the file; a migration that fails leaves the copy', async () => {
  const file = await filled();
  const later = (up: string) => [
    ...MIGRATIONS,
    {
      name: '9000-later',
      up: ({ sequelize }: QueryInterface, transaction: Transaction) => sequelize.query(up, { transaction }),
    },
  ];
  await expect(openDatabase(file, later('NONSENSE'))).rejects.toThrow(/9000-later/);
  await (await openDatabase(file, later('DELETE FROM records'))).close();
  const copies = readdirSync(join(file, '..'))
    .filter((name) => name.includes('before-9000-later'))
    .sort();
  expect(copies).toEqual(['x.sqlite.before-9000-later-2.sqlite', 'x.sqlite.before-9000-later.sqlite']);
  for (const copy of copies) {
    const { sequelize, close } = await openDatabase(join(file, '..', copy));
    expect((await sequelize.getRepository(RecordModel).findAll()).map((record) => record.title)).toEqual([
      'Kept',
    ]);
    await close();
  }
});

const titlesIn = async (file: string) => {
  const { sequelize, close } = await openDatabase(file);
  const rows = await sequelize.getRepository(RecordModel).findAll({ order: ['seq'] });
  await close();
  return rows.map(({ title }) => title);
};

/** A file as a crash leaves it: one record in it, one more only among the last writes, and the copy from before that. */
async function crashed(): Promise<{ file: string; before: string }> {
  const first = await filled();
  const before = `${first}.copy`;
  copyFileSync(first, before);
  const { sequelize, close } = await openDatabase(first);
  const id = '00000000-0000-4000-8000-000000000002';
  const record = { id, kind: 'instruments', title: 'Last', content: harmonica('Last'), version: 1 };
  await sequelize.getRepository(RecordModel).create(record);
  const file = fileIn(temporaryFolder());
  mkdirSync(join(file, '..'));
  for (const end of ['', '-wal', '.lock']) copyFileSync(first + end, file + end);
  await close();
  return { file, before };
}

test('after a crash the last writes are taken into the file', async () => {
  const { file } = await crashed();
  expect(await titlesIn(file)).toEqual(['Kept', 'Last']);
  expect(readdirSync(join(file, '..')).filter((name) => /left-over|check-/.test(name))).toEqual([]);
});

test('a copy from before put in the file’s place after a crash stays as it is; the last writes are set aside', async () => {
  const { file, before } = await crashed();
  copyFileSync(before, file);
  expect(await titlesIn(file)).toEqual(['Kept']);
  expect(existsSync(`${file}.left-over-wal`)).toBe(true);
  expect(await titlesIn(file)).toEqual(['Kept']);
});

test('last writes that would make the file unsound are set aside, even where nothing tells whose they are', async () => {
  const { file } = await crashed();
  const other = await filled();
  const { sequelize, close } = await openDatabase(other);
  const records = Array.from({ length: 300 }, (_, i) => ({
    id: `00000000-0000-4000-8000-0000000${10_000 + i}`,
    kind: 'instruments',
    title: `No. ${i}`,
    content: harmonica(`No. ${i}`),
    version: 1,
  }));
  await sequelize.getRepository(RecordModel).bulkCreate(records);
  await close();
  copyFileSync(other, file);
  rmSync(`${file}.lock`);
  expect(await titlesIn(file)).toHaveLength(301);
  expect(existsSync(`${file}.left-over-wal`)).toBe(true);
});

test('when it is closed everything is in the file itself', async () => {
  const file = await filled();
  expect(existsSync(`${file}-wal`)).toBe(false);
  expect(readFileSync(file).includes('Kept')).toBe(true);
});

test('a migration that fails, or is killed, leaves nothing of itself, and is begun again', async () => {
  const file = await filled();
  const step = (thenFails: boolean) => [
    ...MIGRATIONS,
    {
      name: '9000-later',
      up: async ({ sequelize }: QueryInterface, transaction: Transaction) => {
        await sequelize.query('CREATE TABLE later (id INTEGER)', { transaction });
        await sequelize.query('DELETE FROM records', { transaction });
        if (thenFails) throw new Error('killed');
      },
    },
  ];
  await expect(openDatabase(file, step(true))).rejects.toThrow('killed');
  expect(await titlesIn(file)).toEqual(['Kept']);
  const { sequelize, close } = await openDatabase(file, step(false));
  expect(await sequelize.getRepository(RecordModel).count()).toBe(0);
  const rows = await sequelize.query('SELECT name FROM SequelizeMeta', { type: QueryTypes.SELECT });
  await close();
  expect(rows).toEqual([...MIGRATIONS.map(({ name }) => ({ name })), { name: '9000-later' }]);
});

test('by whatever name it is called a file is held once; one with two names of its own is refused', async () => {
  const file = await filled();
  const link = join(temporaryFolder(), 'other.sqlite');
  symlinkSync(file, link);
  const first = await openDatabase(file);
  await expect(openDatabase(link)).rejects.toThrow(/Another Same Song is already using/);
  await first.close();
  await (await openDatabase(link)).close();
  linkSync(file, `${file}.again`);
  await expect(openDatabase(file)).rejects.toThrow(/has a second name/);
});

test('a database of another program is refused and left byte for byte as it was', async () => {
  const file = join(temporaryFolder(), 'theirs.sqlite');
  await change(file, 'CREATE TABLE notes (text TEXT)');
  const bytes = readFileSync(file);
  await expect(openDatabase(file)).rejects.toThrow(/database of another program/);
  expect(readFileSync(file).equals(bytes)).toBe(true);
});

async function change(file: string, sql: string): Promise<void> {
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: file, logging: false });
  await sequelize.query(sql);
  await sequelize.close();
}
