import type { Sequelize } from 'sequelize';
import { defineBeside, type BesideModel } from './beside-model';
import { defineLog, type LogModel } from './log-model';
import { definePicture, type PictureModel } from './picture-model';
import {
  defineAnswers,
  definePeople,
  defineWorksheets,
  type AnswersModel,
  type PeopleModel,
  type WorksheetsModel,
} from './practice-models';
import { defineRevision, type RevisionModel } from './revision-model';
import { defineTrain, type TrainModel } from './train-model';

/** The tables of a database, as they are seen through one connection. */
export interface Tables {
  readonly trains: TrainModel;
  readonly revisions: RevisionModel;
  /** Searches for tooth counts, and scenarios of motor and load, kept beside trains. */
  readonly searches: BesideModel;
  readonly scenarios: BesideModel;
  readonly log: LogModel;
  readonly pictures: PictureModel;
  /** Who practises on this installation, and what each has answered. */
  readonly people: PeopleModel;
  readonly answers: AnswersModel;
  readonly worksheets: WorksheetsModel;
  /** What the models cannot say: a statement with its values, and the rows that it gives. */
  readonly sql: <Row = unknown>(statement: string, values?: readonly unknown[]) => Promise<readonly Row[]>;
}

export const tablesOf = (sequelize: Sequelize): Tables => ({
  trains: defineTrain(sequelize),
  revisions: defineRevision(sequelize),
  searches: defineBeside(sequelize, 'searches'),
  scenarios: defineBeside(sequelize, 'scenarios'),
  log: defineLog(sequelize),
  pictures: definePicture(sequelize),
  people: definePeople(sequelize),
  answers: defineAnswers(sequelize),
  worksheets: defineWorksheets(sequelize),
  sql: statementsOf(sequelize),
});

/** Values go beside the statement, never into it: a text may hold anything, NUL too. */
function statementsOf(sequelize: Sequelize): Tables['sql'] {
  return async <Row>(statement: string, values: readonly unknown[] = []) => {
    const [rows] = await sequelize.query(numbered(statement), { bind: [...values] });
    return Array.isArray(rows) ? (rows as Row[]) : [];
  };
}

/** Each `?` as the number of its value, as Sequelize writes them. */
const numbered = (statement: string): string => {
  let count = 0;
  return statement.replace(/\?/g, () => `$${++count}`);
};

/** A time as the tables have it. */
export const sqlTime = (at: Date): string => `${at.toISOString().replace('T', ' ').replace('Z', '')} +00:00`;
