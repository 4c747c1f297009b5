import type { ReactNode } from 'react';

/** A column of a table: what it sorts and copies by, and how it is shown. */
export interface Column<Row> {
  readonly head: string;
  readonly title?: string;
  /** Null where there is none: sorted last, copied empty. */
  readonly value: (row: Row) => string | number | null;
  /** How it is shown, where that is not the value itself. */
  readonly cell?: (row: Row) => ReactNode;
  readonly numeric?: boolean;
  /** Folded into the row until a person wants it as a column. */
  readonly less?: boolean;
}
