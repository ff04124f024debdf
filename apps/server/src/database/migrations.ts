import { existsSync } from 'node:fs';
import { DataTypes, type QueryInterface } from 'sequelize';
import type { Sequelize } from 'sequelize-typescript';
import { SequelizeStorage, Umzug, type RunnableMigration } from 'umzug';
import { StartError } from '../startError.ts';

const versioned = {
  version: { type: DataTypes.INTEGER, allowNull: false },
  createdAt: { type: DataTypes.DATE, allowNull: false },
  updatedAt: { type: DataTypes.DATE, allowNull: false },
};

/** In order; a migration that has been released is never changed. */
export const MIGRATIONS: readonly RunnableMigration<QueryInterface>[] = [
  {
    name: '0001-records',
    up: async ({ context }) => {
      await context.createTable('records', {
        seq: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
        id: { type: DataTypes.UUID, allowNull: false, unique: true },
        kind: { type: DataTypes.TEXT, allowNull: false },
        title: { type: DataTypes.TEXT, allowNull: false },
        content: { type: DataTypes.JSON, allowNull: false },
        at: { type: DataTypes.TEXT, allowNull: true },
        binnedAt: { type: DataTypes.DATE, allowNull: true },
        ...versioned,
      });
      await context.addIndex('records', ['kind', 'seq']);
      await context.addIndex('records', ['kind', 'at']);
      const record = { model: 'records', key: 'id' };
      await context.createTable('record_links', {
        fromId: { type: DataTypes.UUID, primaryKey: true, references: record, onDelete: 'CASCADE' },
        field: { type: DataTypes.TEXT, primaryKey: true },
        toId: { type: DataTypes.UUID, allowNull: false, references: record, onDelete: 'RESTRICT' },
      });
      await context.addIndex('record_links', ['toId']);
      await context.createTable('settings', {
        id: { type: DataTypes.INTEGER, primaryKey: true },
        value: { type: DataTypes.JSON, allowNull: false },
        ...versioned,
      });
    },
  },
];

/**
 * Brings the database up to date. A database that already held data is copied beside itself first.
 * @throws StartError when the file was written by a later version
 */
export async function migrate(
  sequelize: Sequelize,
  file: string,
  migrations: readonly RunnableMigration<QueryInterface>[],
): Promise<void> {
  const storage = new SequelizeStorage({ sequelize });
  const umzug = new Umzug({
    migrations: [...migrations],
    context: sequelize.getQueryInterface(),
    storage,
    logger: undefined,
  });
  const known = new Set(migrations.map((migration) => migration.name));
  const executed = await storage.executed();
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
