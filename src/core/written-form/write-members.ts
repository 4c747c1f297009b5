import { partsById, type Member, type Train } from '../train';
import { memberName } from '../words';
import { memberWord } from './names';
import type { WrittenRow } from './rows';

/** What has to be said of members beside where their gears are, by their ids; of most nothing. */
export type MemberClauses = ReadonlyMap<string, readonly string[]>;

/** The clauses of every member that has any. */
export function memberClauses(train: Train, rows: readonly WrittenRow[]): MemberClauses {
  const inSets = planetsOf(train, rows);
  const clauses = ({ id, name, limit, color, carrier, copies, bearings }: Member) => {
    const isSaid = inSets.has(id);
    return [
      ...(memberName(train, id) === name ? [] : [`named ${JSON.stringify(name)}`]),
      ...(isSaid || carrier === undefined ? [] : [`carried by ${memberWord(train, carrier)}`]),
      ...(isSaid || copies === undefined ? [] : [`copies ${copies}`]),
      ...(limit === undefined ? [] : [`limit ${limit}`]),
      ...(color === undefined ? [] : [`colour ${color.slice(1)}`]),
      ...(bearings === undefined ? [] : [`bearings ${bearings.join(' and ')}`]),
    ];
  };
  return new Map(
    train.members.flatMap((member) => {
      const said = clauses(member);
      return said.length === 0 ? [] : [[member.id as string, said] as const];
    }),
  );
}

/** Members that have to be listed first in one line, and after them what is to be said of any. */
export const memberLines = (train: Train, listed: readonly Member[], more: MemberClauses): string[] => [
  ...(listed.length === 0 ? [] : [`members: ${listed.map(({ id }) => memberWord(train, id)).join(', ')}`]),
  ...[...more].map(([id, clauses]) => `member ${[memberWord(train, id), ...clauses].join(', ')}`),
];

/** Planets of which a set says what carries them. */
const planetsOf = (train: Train, rows: readonly WrittenRow[]): ReadonlySet<string> =>
  new Set(
    rows.flatMap(({ arm, items }) =>
      items.flatMap(({ member }) =>
        arm !== null && partsById(train).find.member(member)?.carrier === arm ? [member] : [],
      ),
    ),
  );
