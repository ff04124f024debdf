import { existsSync } from 'node:fs';
import { DataTypes, QueryTypes, type QueryInterface, type Transaction } from 'sequelize';
import type { Sequelize } from 'sequelize-typescript';
import { Umzug } from 'umzug';
import { StartError } from '../startError.ts';

const versioned = {
  version: { type: DataTypes.INTEGER, allowNull: false },
  createdAt: { type: DataTypes.DATE, allowNull: false },
  updatedAt: { type: DataTypes.DATE, allowNull: false },
};

/** One step from a structure to the next. All it does goes through the transaction, or is not undone with it. */
export interface Migration {
  readonly name: string;
  up(context: QueryInterface, transaction: Transaction): Promise<unknown>;
}

/** In order; a migration that has been released is never changed. */
export const MIGRATIONS: readonly Migration[] = [
  {
    name: '0001-records',
    up: async (context, transaction) => {
      const within = { transaction };
      await context.createTable(
        'records',
        {
          seq: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
          id: { type: DataTypes.UUID, allowNull: false, unique: true },
          kind: { type: DataTypes.TEXT, allowNull: false },
          title: { type: DataTypes.TEXT, allowNull: false },
          content: { type: DataTypes.TEXT, allowNull: false },
          at: { type: DataTypes.TEXT, allowNull: true },
          binnedAt: { type: DataTypes.DATE, allowNull: true },
          ...versioned,
        },
        within,
      );
      await context.addIndex('records', ['kind', 'seq'], within);
      await context.addIndex('records', ['kind', 'at'], within);
      const record = { model: 'records', key: 'id' };
      await context.createTable(
        'record_links',
        {
          fromId: { type: DataTypes.UUID, primaryKey: true, references: record, onDelete: 'CASCADE' },
          field: { type: DataTypes.TEXT, primaryKey: true },
          toId: { type: DataTypes.UUID, allowNull: false, references: record, onDelete: 'RESTRICT' },
        },
        within,
      );
      await context.addIndex('record_links', ['toId'], within);
      await context.createTable(
        'settings',
        {
          id: { type: DataTypes.INTEGER, primaryKey: true },
          value: { type: DataTypes.TEXT, allowNull: false },
          ...versioned,
        },
        within,
      );
    },
  },
  {
    name: '0002-sketches',
    up: (context, transaction) => {
      // Its type knows nothing of the transaction that it takes.
      const within: object = { transaction };
      return context.addColumn('records', 'sketch', { type: DataTypes.TEXT, allowNull: true }, within);
    },
  },
  {
    name: '0003-changes',
    up: async (context, transaction) => {
      const within = { transaction };
      await context.createTable(
        'changes',
        {
          seq: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
          id: { type: DataTypes.UUID, allowNull: false, unique: true },
          settings: { type: DataTypes.TEXT, allowNull: true },
          createdAt: versioned.createdAt,
        },
        within,
      );
      const change = { model: 'changes', key: 'seq' };
      await context.createTable(
        'changed_records',
        {
          changeSeq: {
            type: DataTypes.INTEGER,
            primaryKey: true,
            references: change,
            onDelete: 'CASCADE',
          },
          place: { type: DataTypes.INTEGER, primaryKey: true },
          recordId: { type: DataTypes.UUID, allowNull: false },
          what: { type: DataTypes.TEXT, allowNull: false },
        },
        within,
      );
    },
  },
];

/** Where it is noted which migrations were done. */
const NOTES = 'SequelizeMeta';

/**
 * Brings the database up to date. A database that already held data is copied beside itself first. Each migration and
 * the note that it was done are one transaction: killed at any point, the next start goes on from there.
 * @throws StartError when the file was written by a later version
 */
export async function migrate(
  sequelize: Sequelize,
  file: string,
  migrations: readonly Migration[],
): Promise<void> {
  await sequelize.query(`CREATE TABLE IF NOT EXISTS ${NOTES} (name TEXT NOT NULL PRIMARY KEY)`);
  const done = async () => {
    const rows = await sequelize.query<{ name: string }>(`SELECT name FROM ${NOTES} ORDER BY name`, {
      type: QueryTypes.SELECT,
    });
    return rows.map(({ name }) => name);
  };
  const step = ({ name, up }: Migration) => ({
    name,
    up: () =>
      sequelize.transaction(async (transaction) => {
        await up(sequelize.getQueryInterface(), transaction);
        await sequelize.query(`INSERT INTO ${NOTES} (name) VALUES (:name)`, {
          replacements: { name },
          transaction,
        });
      }),
  });
  const noted = () => Promise.resolve();
  const umzug = new Umzug({
    migrations: migrations.map(step),
    storage: { executed: done, logMigration: noted, unlogMigration: noted },
    logger: undefined,
  });
  const known = new Set(migrations.map((migration) => migration.name));
  const executed = await done();
  const unknown = executed.find((name) => !known.has(name));
  if (unknown) {
    throw new StartError(
      `${file} was written by a newer Same Song (it has “${unknown}”). Update Same Song; the file was left as it is.`,
    );
  }
  const pending = await umzug.pending();
  if (pending.length === 0) return;
  if (executed.length > 0) await copyBeside(sequelize, `${file}.before-${pending[0]!.name}`);
  await umzug.up();
}

/** A consistent copy made by SQLite itself. An older copy of the same name is kept and the new one numbered. */
async function copyBeside(sequelize: Sequelize, base: string): Promise<void> {
  let path = `${base}.sqlite`;
  for (let n = 2; existsSync(path); n += 1) path = `${base}-${n}.sqlite`;
  await sequelize.query('VACUUM INTO :path', { replacements: { path } });
}
