import { DataTypes, type Model, type ModelStatic, type Sequelize } from 'sequelize';

/** A picture that goes with a reading: what it is, and its bytes without what cameras write beside them. */
export interface PictureRow {
  trainId: string;
  id: string;
  type: 'image/png' | 'image/jpeg';
  bytes: Buffer;
  savedAt: Date;
}

export type PictureModel = ModelStatic<Model<PictureRow>>;

export const definePicture = (sequelize: Sequelize): PictureModel =>
  sequelize.define(
    'picture',
    {
      trainId: { type: DataTypes.STRING, primaryKey: true },
      id: { type: DataTypes.STRING, primaryKey: true },
      type: { type: DataTypes.STRING, allowNull: false },
      bytes: { type: DataTypes.BLOB, allowNull: false },
      savedAt: { type: DataTypes.DATE, allowNull: false },
    },
    { tableName: 'pictures', underscored: true, timestamps: false },
  );
