import { DataTypes, type Model, type ModelStatic, type Sequelize } from 'sequelize';

/** A row of the trains table: the document as JSON text, with the version that every save counts up. */
export interface TrainRow {
  id: string;
  name: string;
  document: string;
  version: number;
  createdAt: Date;
  updatedAt: Date;
  /** Taken off the shelf then; it can be put back. */
  deletedAt: Date | null;
  /** What the shelf says of it as JSON, and of which version that was worked out. */
  summary: string | null;
  summaryVersion: number | null;
}

export type TrainModel = ModelStatic<Model<TrainRow, Omit<TrainRow, 'createdAt' | 'updatedAt' | 'deletedAt'>>>;

export const defineTrain = (sequelize: Sequelize): TrainModel =>
  sequelize.define(
    'train',
    {
      id: { type: DataTypes.STRING, primaryKey: true },
      name: { type: DataTypes.STRING, allowNull: false },
      document: { type: DataTypes.TEXT, allowNull: false },
      version: { type: DataTypes.INTEGER, allowNull: false },
      summary: { type: DataTypes.TEXT, allowNull: true },
      summaryVersion: { type: DataTypes.INTEGER, allowNull: true },
    },
    { tableName: 'trains', underscored: true, paranoid: true },
  );

/** The row that a new train starts with. */
export const firstRow = (
  id: string,
  { name, document }: { readonly name: string; readonly document: string },
  summary: string | null = null,
) => ({ id, name, document, version: 1, summary, summaryVersion: summary === null ? null : 1 });
