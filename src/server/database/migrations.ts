import { DataTypes, type QueryInterface, type Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug, type RunnableMigration } from 'umzug';

/** Every change to the tables, oldest first. A landed migration is never edited; the next one corrects it. */
const MIGRATIONS: RunnableMigration<QueryInterface>[] = [
  {
    name: '001-trains',
    up: async ({ context }) => {
      await context.createTable('trains', {
        id: { type: DataTypes.STRING, primaryKey: true },
        name: { type: DataTypes.STRING, allowNull: false },
        document: { type: DataTypes.TEXT, allowNull: false },
        version: { type: DataTypes.INTEGER, allowNull: false },
        created_at: { type: DataTypes.DATE, allowNull: false },
        updated_at: { type: DataTypes.DATE, allowNull: false },
      });
    },
  },
  {
    name: '002-marks',
    up: async ({ context }) => {
      await context.createTable('marks', {
        name: { type: DataTypes.STRING, primaryKey: true },
        at: { type: DataTypes.DATE, allowNull: false },
      });
    },
  },
];

/** Runs what has not been run on this file yet. */
export async function migrate(sequelize: Sequelize): Promise<void> {
  const umzug = new Umzug({
    migrations: MIGRATIONS,
    context: sequelize.getQueryInterface(),
    storage: new SequelizeStorage({ sequelize, tableName: 'migrations' }),
    logger: undefined,
  });
  await umzug.up();
}
