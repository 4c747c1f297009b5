import { DataTypes, type Model, type ModelStatic, type Sequelize } from 'sequelize';

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
type NewLogEntry = Omit<LogEntryRow, 'place'> & Partial<LogEntryRow>;
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
