import { equals, parseRational, sign, toNumber, type Rational } from '../rational';
import { accept, parseJson, refuse, resultOf, type Result } from '../result';
import { choose } from './choose';
import { layoutsFor, MOST_MEMBERS } from './layouts';
import { CENTRAL, type SchemeQuestion } from './question';
import { SCHEME_SEARCH, schemeSearchSchema, type WrittenSchemeSearch } from './search-schema';

/** A question as it is read from a file, and how long it may take. */
export interface ReadSchemeSearch {
  readonly question: SchemeQuestion;
  readonly timeS: number | null;
}

export function readSchemeSearch(text: string): Result<ReadSchemeSearch> {
  const json = parseJson(text);
  return json.ok ? readWrittenSchemes(json.value) : json;
}

/** Reads a search file as it is written, once it is known to ask something. */
export function readSchemeFile(text: string): Result<WrittenSchemeSearch> {
  const json = parseJson(text);
  if (!json.ok) return json;
  const read = readWrittenSchemes(json.value);
  return read.ok ? accept(json.value as WrittenSchemeSearch) : read;
}

/** Does a document say that it is a search for schemes? */
export const isSchemeSearch = (document: unknown): boolean =>
  typeof document === 'object' && document !== null && 'format' in document && document.format === SCHEME_SEARCH;

/** The same from what the text says. */
export function readWrittenSchemes(json: unknown): Result<ReadSchemeSearch> {
  const parsed = resultOf(schemeSearchSchema.safeParse(json));
  if (!parsed.ok) return parsed;
  const written = parsed.value;
  const { sets, wanted, elements } = written;
  const twice = sets.findIndex(({ id }, i) => sets.findIndex((one) => one.id === id) < i);
  if (twice >= 0) return refuse(`Two sets are called ${sets[twice]?.id ?? ''}.`, ['sets', twice, 'id']);
  const forward: Rational[] = [];
  for (const [i, text] of wanted.forward.entries()) {
    const path = ['wanted', 'forward', i];
    const ratio = parseRational(String(text));
    if (!ratio || sign(ratio) <= 0) return refuse(`"${text}" is no ratio above 0.`, path);
    if (toNumber(ratio) < 0.01 || toNumber(ratio) > 100) return refuse('A ratio is from 0.01 to 100.', path);
    if (forward.some((other) => equals(other, ratio))) return refuse(`${text} is wished for twice.`, path);
    forward.push(ratio);
  }
  const { reverse = 'any' } = wanted;
  if (typeof reverse !== 'string' && reverse[0] > reverse[1])
    return refuse('The range of the reverse starts above its end.', ['wanted', 'reverse']);
  const ids = sets.map(({ id }) => id);
  for (const end of ['input', 'output'] as const)
    if (!isEnd(written[end] ?? null, ids))
      return refuse(
        `${written[end] ?? ''} is no end: write sun, carrier, ring, shaft or one of a set, such as ${ids[0] ?? ''}.ring.`,
        [end],
      );
  const question: SchemeQuestion = {
    sets,
    forward,
    tolerance: wanted.tolerance,
    reverse,
    atMost: elements.atMost,
    brakes: elements.brakes ?? null,
    clutches: elements.clutches ?? null,
    engaged: written.engaged ?? null,
    single: written.single ?? 'preferred',
    input: written.input ?? null,
    output: written.output ?? null,
    limits: written.limits ?? {},
    limit: written.limit ?? DEFAULT_LIMIT,
  };
  const excluded = excludes(question);
  return excluded ? refuse(excluded.message, excluded.path) : accept({ question, timeS: written.timeS ?? null });
}

const DEFAULT_LIMIT = 20;

const isEnd = (end: string | null, ids: readonly string[]): boolean =>
  end === null ||
  end === 'shaft' ||
  (CENTRAL as readonly string[]).includes(end) ||
  ids.some((id) => CENTRAL.some((role) => end === `${id}.${role}`));

/** What is wished for that nothing can give, whatever the sets: said before anything is searched. */
function excludes(question: SchemeQuestion): { readonly message: string; readonly path: readonly string[] } | null {
  const { atMost, brakes, clutches, engaged, forward, reverse, input, output, sets } = question;
  const positions = forward.length + (reverse === 'none' ? 0 : 1);
  const usable = Math.min(atMost, (brakes ?? atMost) + (clutches ?? atMost));
  const most = Math.min(2 * sets.length + 1, MOST_MEMBERS - sets.length - 1);
  const counts = Array.from({ length: most + 1 }, (_, e) => e).filter((e) => engaged === null || e === engaged);
  if (counts.length === 0)
    return {
      message: `With ${sets.length === 1 ? 'one set' : `${sets.length} sets`} 0 to ${most} elements are engaged.`,
      path: ['engaged'],
    };
  const best = Math.max(...counts.map((e) => choose(usable, e)));
  if (best < positions)
    return {
      message:
        `${usable} elements${engaged === null ? '' : `, ${engaged} engaged at once,`} make ${best} positions at most; ` +
        `${positions} are wished for.`,
      path: ['elements', 'atMost'],
    };
  if (input !== null && input === output && input.includes('.'))
    return { message: 'Input and output are the same member.', path: ['output'] };
  if (layoutsFor({ ...question, atMost: usable }).length === 0)
    return { message: 'These limits exclude each other: no way to join the sets is left.', path: ['elements'] };
  return null;
}
