import type { Problem } from './problem';
import type { Train } from './schema';

/** Anything but blanks, controls, and marks that show nothing by themselves. */
const VISIBLE = /[^\p{C}\p{Z}\p{M}\u115f\u1160\u3164\uffa0\u2800]/u;

/** Names that show nothing; a part may go without a name, and is then called by its id. */
export function nameProblems(train: Train): Problem[] {
  const unseen = (name: string) => name !== '' && !VISIBLE.test(name);
  const say = (path: Problem['path']): Problem => ({
    path,
    message: 'This name holds only blanks or invisible characters. Give it something to show.',
  });
  const lists = ['members', 'couplers', 'selectors', 'positions'] as const;
  return [
    ...(unseen(train.name) ? [say(['name'])] : []),
    ...lists.flatMap((list) =>
      (train[list] ?? []).flatMap(({ name }, i) => (unseen(name) ? [say([list, i, 'name'])] : [])),
    ),
  ];
}
