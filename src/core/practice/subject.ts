import { type OpenTrain } from '../kinematics';
import { memberFigures, type MemberFigures } from '../powerflow';
import { abs, sign, toFraction, type Rational } from '../rational';
import { type Solved } from '../solve';
import type { Train } from '../train';
import { couplerName, memberName } from '../words';
import { workingOf, workingText } from '../working';
import { modelOf } from '../model';

/** A position of the train that is asked about, solved. */
export interface SubjectPosition {
  readonly id: string;
  readonly name: string;
  readonly engaged: readonly string[];
  readonly solved: Solved;
  readonly figures: ReadonlyMap<string, MemberFigures>;
}

/** What questions are made from. */
export interface Subject {
  readonly train: Train;
  readonly open: OpenTrain;
  readonly places: readonly SubjectPosition[];
  /** Those in which one output is driven. */
  readonly driving: readonly (SubjectPosition & { readonly ratio: Rational })[];
  /** Members that turn about fixed axes: those that can be pointed at and asked about. */
  readonly central: readonly string[];
}

export function subjectOf(train: Train): Subject {
  const { open, solvedIn } = modelOf(train);
  const places = train.positions.map(({ id, name, engaged }): SubjectPosition => {
    const solved = solvedIn(id);
    const figures = new Map(memberFigures(solved).map((row) => [row.id, row]));
    return { id, name: name || id, engaged, solved, figures };
  });
  const driving = places.flatMap((place) => (place.solved.ratio ? [{ ...place, ratio: place.solved.ratio }] : []));
  const central = train.members.filter(({ carrier }) => carrier === undefined).map(({ id }) => id);
  return { train, open, places, driving, central };
}

/** How a position's ratio comes about. */
export const workingLines = ({ train }: Subject, { solved }: SubjectPosition): readonly string[] =>
  workingText(
    workingOf(solved),
    { member: (id) => memberName(train, id), coupler: (id) => couplerName(train, id) },
    'in/out',
    'formula',
  );

/** What is engaged, in words: what the question says of its position. */
export const engagedText = ({ train }: Subject, engaged: readonly string[]): string =>
  engaged.map((id) => couplerName(train, id)).join(' + ') || 'nothing engaged';

/** The size of a figure, exact. */
export const size = (value: Rational): string => toFraction(abs(value));
/** The same to be divided by: a fraction in brackets. */
export const bracketedSize = (value: Rational): string => (Number(value.d) === 1 ? size(value) : `(${size(value)})`);
/** A ratio in words: "13/6 in/out, reverse". */
export const ratioWords = (value: Rational): string => `${size(value)} in/out${sign(value) < 0 ? ', reverse' : ''}`;
