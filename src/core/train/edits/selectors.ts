import { required } from '../../required';
import type { Train } from '../schema';
import { checked, freshId, refused, type Edit } from './edit';

type Selector = NonNullable<Train['selectors']>[number];
type Span = Selector['spans'][number];

/** The stretch that a coupler gets when it is first put on a selector, and the neutral before it, mm. */
const [LENGTH, GAP] = [6, 2];

/** A new sleeve or drum that works no coupler yet. */
export function addSelector(train: Train, what: 'sleeve' | 'drum'): Edit {
  const selectors = train.selectors ?? [];
  const named = [...selectors, ...selectors.map(({ name }) => ({ id: name }))];
  const id = freshId(named, what) as Selector['id'];
  return checked({ ...train, selectors: [...selectors, { id, name: id, spans: [] }] });
}

/** Gives a sleeve or drum another name. */
export const renameSelector = (train: Train, id: string, name: string): Edit =>
  name.trim() === ''
    ? refused('Give the sleeve a name.')
    : changeSelector(train, id, (selector) => ({ ...selector, name: name.trim() }));

/** Takes a sleeve or drum away; its couplers stay, worked by nothing. */
export const removeSelector = (train: Train, id: string): Edit =>
  withSelectors(
    train,
    (train.selectors ?? []).filter((one) => one.id !== id),
  );

/**
 * Puts a coupler on a selector with the stretches that it had on another, or, where it had none, behind what is there;
 * null takes it off.
 */
export function putOnSelector(train: Train, coupler: string, selector: string | null): Edit {
  const selectors = train.selectors ?? [];
  const own = selectors.flatMap(({ spans }) => spans.filter((span) => span.coupler === coupler));
  return withSelectors(
    train,
    selectors.map((one) => {
      const others = one.spans.filter((span) => span.coupler !== coupler);
      if (one.id !== selector) return others.length === one.spans.length ? one : { ...one, spans: others };
      return { ...one, spans: [...others, ...(own.length > 0 ? own : [behind(one, coupler)])] };
    }),
  );
}

function behind({ spans }: Selector, coupler: string): Span {
  const end = spans.length === 0 ? -GAP : Math.max(...spans.map(({ to }) => to));
  return { coupler: coupler as Span['coupler'], from: end + GAP, to: end + GAP + LENGTH };
}

/** Another stretch for one engagement, mm. */
export function setSpan(train: Train, id: string, at: number, { from, to }: Pick<Span, 'from' | 'to'>): Edit {
  if (!(from < to)) return refused('A stretch ends behind where it begins.');
  return changeSelector(train, id, (selector) => ({
    ...selector,
    spans: selector.spans.map((span, i) => (i === at ? { ...span, from, to } : span)),
  }));
}

function changeSelector(train: Train, id: string, change: (selector: Selector) => Selector): Edit {
  const selectors = train.selectors ?? [];
  const selector = selectors.find((one) => one.id === id);
  if (!selector) return refused(`There is no sleeve or drum "${id}".`);
  return withSelectors(
    train,
    selectors.map((one) => (one === selector ? change(required(selector)) : one)),
  );
}

/** A train that has none says nothing of them. */
function withSelectors(train: Train, selectors: readonly Selector[]): Edit {
  if (selectors.length > 0) return checked({ ...train, selectors });
  return checked(withoutSelectors(train));
}

const withoutSelectors = ({ selectors: _, ...rest }: Train): Train => rest;
