import { DataTypes, type Model, type ModelStatic, type Sequelize } from 'sequelize';

/** Someone who practises here: a name, and nothing else. */
export interface PersonRow {
  id: string;
  name: string;
  savedAt: Date;
}

/** What someone answered, as JSON; never changed. */
export interface AnswerRow {
  personId: string;
  id: string;
  document: string;
  savedAt: Date;
  /** Its number in the order in which they were given; the database gives it. */
  place: number | null;
}

/** A worksheet as an open file's text. */
export interface WorksheetRow {
  id: string;
  name: string;
  document: string;
  savedAt: Date;
}

export type PeopleModel = ModelStatic<Model<PersonRow>>;
export type AnswersModel = ModelStatic<Model<AnswerRow, Omit<AnswerRow, 'place'> & Partial<AnswerRow>>>;
export type WorksheetsModel = ModelStatic<Model<WorksheetRow>>;

// Sequelize writes into what it is given, so each column gets its own.
const key = () => ({ type: DataTypes.STRING, primaryKey: true });
const word = () => ({ type: DataTypes.STRING, allowNull: false });
const text = () => ({ type: DataTypes.TEXT, allowNull: false });
const time = () => ({ type: DataTypes.DATE, allowNull: false });
const options = { underscored: true, timestamps: false };

export const definePeople = (sequelize: Sequelize): PeopleModel =>
  sequelize.define('person', { id: key(), name: word(), savedAt: time() }, { ...options, tableName: 'people' });

export const defineAnswers = (sequelize: Sequelize): AnswersModel =>
  sequelize.define(
    'practiceAnswer',
    { personId: key(), id: key(), document: text(), savedAt: time(), place: { type: DataTypes.INTEGER } },
    { ...options, tableName: 'practice_answers' },
  );

export const defineWorksheets = (sequelize: Sequelize): WorksheetsModel =>
  sequelize.define(
    'worksheet',
    { id: key(), name: word(), document: text(), savedAt: time() },
    { ...options, tableName: 'worksheets' },
  );
