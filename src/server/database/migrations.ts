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
  {
    name: '003-revisions',
    up: async ({ context }) => {
      await context.addColumn('trains', 'deleted_at', { type: DataTypes.DATE, allowNull: true });
      await context.createTable('revisions', {
        train_id: { type: DataTypes.STRING, primaryKey: true, references: { model: 'trains', key: 'id' }, onDelete: 'CASCADE' },
        version: { type: DataTypes.INTEGER, primaryKey: true },
        document: { type: DataTypes.TEXT, allowNull: false },
        name: { type: DataTypes.STRING, allowNull: true },
        saved_at: { type: DataTypes.DATE, allowNull: false },
      });
      // The database itself keeps every saved state, in the same step as the save: none can be missed and none half written.
      const keep = 'INSERT INTO revisions (train_id, version, document, saved_at) VALUES (new.id, new.version, new.document, new.updated_at);';
      await context.sequelize.query(`CREATE TRIGGER keep_first_state AFTER INSERT ON trains BEGIN ${keep} END`);
      await context.sequelize.query(`CREATE TRIGGER keep_saved_state AFTER UPDATE OF version ON trains BEGIN ${keep} END`);
      await context.sequelize.query('INSERT INTO revisions (train_id, version, document, saved_at) SELECT id, version, document, updated_at FROM trains');
    },
  },
  {
    name: '004-summaries',
    up: async ({ context }) => {
      await context.addColumn('trains', 'summary', { type: DataTypes.TEXT, allowNull: true });
      await context.addColumn('trains', 'summary_version', { type: DataTypes.INTEGER, allowNull: true });
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
