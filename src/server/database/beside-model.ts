import { DataTypes, type Model, type ModelStatic, type Sequelize } from 'sequelize';

/** A row of a table whose documents are kept beside trains: searches, and what else goes with a train. */
export interface BesideRow {
  trainId: string;
  /** Named by whoever keeps it, so that a request sent twice keeps it once. */
  id: string;
  name: string;
  /** An open file's text. */
  document: string;
  savedAt: Date;
}

export type BesideModel = ModelStatic<Model<BesideRow>>;

export const defineBeside = (sequelize: Sequelize, tableName: string): BesideModel =>
  sequelize.define(
    tableName,
    {
      trainId: { type: DataTypes.STRING, primaryKey: true },
      id: { type: DataTypes.STRING, primaryKey: true },
      name: { type: DataTypes.STRING, allowNull: false },
      document: { type: DataTypes.TEXT, allowNull: false },
      savedAt: { type: DataTypes.DATE, allowNull: false },
    },
    { tableName, underscored: true, timestamps: false },
  );
