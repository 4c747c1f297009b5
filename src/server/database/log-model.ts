import { DataTypes, Transaction, type Model, type ModelStatic, type Sequelize } from 'sequelize';
import { groupCommit } from './group-commit';

/** An entry of a train's log: a reading, a correction or a run; never changed. */
export interface LogEntryRow {
  trainId: string;
  /** Named by whoever keeps it, so that a request sent twice keeps it once. */
  id: string;
  kind: string;
  document: string;
  savedAt: Date;
  /** Its number in the order in which the log was written; the database gives it. */
  place: number | null;
}

/** An entry before the database has numbered it. */
export type NewLogEntry = Omit<LogEntryRow, 'place'> & Partial<LogEntryRow>;
export type LogModel = ModelStatic<Model<LogEntryRow, NewLogEntry>>;

export const defineLog = (sequelize: Sequelize): LogModel =>
  sequelize.define(
    'logEntry',
    {
      trainId: { type: DataTypes.STRING, primaryKey: true },
      id: { type: DataTypes.STRING, primaryKey: true },
      kind: { type: DataTypes.STRING, allowNull: false },
      document: { type: DataTypes.TEXT, allowNull: false },
      savedAt: { type: DataTypes.DATE, allowNull: false },
      place: { type: DataTypes.INTEGER, allowNull: true },
    },
    { tableName: 'log_entries', underscored: true, timestamps: false },
  );

/** Entries in one statement. */
const BATCH = 500;

/** Puts entries into logs, so many at a time; what is there already under an id stays as it is. */
export async function putEntries(log: LogModel, rows: readonly NewLogEntry[], transaction: Transaction): Promise<void> {
  for (let at = 0; at < rows.length; at += BATCH)
    await log.bulkCreate(rows.slice(at, at + BATCH), { ignoreDuplicates: true, transaction });
}

/** Puts entries into logs, all or none; what is there already under an id stays as it is. Those of several senders go together. */
export const logWriter = (sequelize: Sequelize, log: LogModel): ((rows: readonly NewLogEntry[]) => Promise<void>) =>
  groupCommit(async (rows) => {
    // One statement is all or none by itself; a transaction has to open a connection of its own first.
    if (rows.length <= BATCH) return void (await log.bulkCreate([...rows], { ignoreDuplicates: true }));
    await sequelize.transaction({ type: Transaction.TYPES.IMMEDIATE }, (transaction) =>
      putEntries(log, rows, transaction),
    );
  }, BATCH);
