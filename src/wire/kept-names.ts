import * as z from 'zod/mini';

/** What a thing is kept under where that stands in an address: a name of letters, digits, - and _. */
export const keptKey = z.string().check(z.regex(/^[\w-]{1,64}$/));

/** Nothing that cannot be seen: such a character ends a statement of SQL, or a line. */
const visible = z.regex(/^[^\u0000-\u001f\u007f]*$/);

/** What a row is kept under that has no address of its own. */
export const keptId = z.string().check(z.minLength(1), z.maxLength(64), visible);

/** What an entry of a log is. */
export const entryKind = z.enum(['reading', 'correction', 'run']);
export type EntryKind = z.infer<typeof entryKind>;

const MOST_LETTERS = 120;

/** What people call what they keep: a search, a scenario, a worksheet. */
export const keptName = z.string().check(z.trim(), z.minLength(1), z.maxLength(MOST_LETTERS), visible);

/** What people call a saved state. */
export const stateName = z.string().check(z.trim(), z.maxLength(MOST_LETTERS), visible);

/** Who practises. */
export const personName = z.string().check(z.trim(), z.minLength(1), z.maxLength(60), visible);

/** The count of a train's saved states: as many as an address can name. */
export const keptVersion = z.number().check(z.int(), z.gte(1), z.lte(999_999_999));
