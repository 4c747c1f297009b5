import { DataTypes, type Model, type ModelStatic, type Sequelize } from 'sequelize';

/** A row of the trains table: the document as JSON text, with the version that every save counts up. */
export interface TrainRow {
  id: string;
  name: string;
  document: string;
  version: number;
  createdAt: Date;
  updatedAt: Date;
}

export type TrainModel = ModelStatic<Model<TrainRow, Omit<TrainRow, 'createdAt' | 'updatedAt'>>>;

export const defineTrain = (sequelize: Sequelize): TrainModel =>
  sequelize.define(
    'train',
    {
      id: { type: DataTypes.STRING, primaryKey: true },
      name: { type: DataTypes.STRING, allowNull: false },
      document: { type: DataTypes.TEXT, allowNull: false },
      version: { type: DataTypes.INTEGER, allowNull: false },
    },
    { tableName: 'trains', underscored: true },
  );
