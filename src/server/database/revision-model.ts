import { DataTypes, type Model, type ModelStatic, type Sequelize } from 'sequelize';

/**
 * A row of the revisions table: a state that was saved. The database writes it with every save; here it is read, named
 * and thinned.
 */
export interface RevisionRow {
  trainId: string;
  version: number;
  document: string;
  name: string | null;
  savedAt: Date;
}

export type RevisionModel = ModelStatic<Model<RevisionRow>>;

export const defineRevision = (sequelize: Sequelize): RevisionModel =>
  sequelize.define(
    'revision',
    {
      trainId: { type: DataTypes.STRING, primaryKey: true },
      version: { type: DataTypes.INTEGER, primaryKey: true },
      document: { type: DataTypes.TEXT, allowNull: false },
      name: { type: DataTypes.STRING, allowNull: true },
      savedAt: { type: DataTypes.DATE, allowNull: false },
    },
    { tableName: 'revisions', underscored: true, timestamps: false },
  );
