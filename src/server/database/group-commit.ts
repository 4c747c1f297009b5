interface Waiting<Row> {
  readonly rows: readonly Row[];
  readonly done: () => void;
  readonly fail: (error: unknown) => void;
}

/**
 * Writes rows of several senders together: while one write is under way, what comes meanwhile waits, and then goes as
 * the next. A disk takes as long for one row as for a hundred. Each sender's rows are written all or none.
 * @param write puts rows in, all or none
 * @param most rows in one write, unless a single sender has more
 */
export function groupCommit<Row>(
  write: (rows: readonly Row[]) => Promise<void>,
  most: number,
): (rows: readonly Row[]) => Promise<void> {
  const waiting: Waiting<Row>[] = [];
  let writing = false;

  const writeWaiting = async () => {
    writing = true;
    while (waiting.length > 0) await writeTogether(nextOf(waiting, most));
    writing = false;
  };

  const writeTogether = async (group: readonly Waiting<Row>[]): Promise<void> => {
    try {
      await write(group.flatMap(({ rows }) => rows));
      for (const { done } of group) done();
    } catch (error) {
      const [first, ...others] = group;
      if (others.length === 0) return first?.fail(error);
      // One of them is at fault: by itself each gets its own answer.
      for (const one of group) await writeTogether([one]);
    }
  };

  return (rows) =>
    new Promise((done, fail) => {
      waiting.push({ rows, done, fail });
      if (!writing) void writeWaiting();
    });
}

function nextOf<Row>(waiting: Waiting<Row>[], most: number): readonly Waiting<Row>[] {
  let [count, total] = [0, 0];
  for (const { rows } of waiting) {
    if (count > 0 && total + rows.length > most) break;
    total += rows.length;
    count++;
  }
  return waiting.splice(0, count);
}
