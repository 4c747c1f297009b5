'use client';

import { useSyncExternalStore } from 'react';

/** Dates and times as the browser's language writes them; files have them as ISO 8601. */
const DAY = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium' });
const LONG_DAY = new Intl.DateTimeFormat(undefined, { dateStyle: 'long' });
const TIME = new Intl.DateTimeFormat(undefined, { timeStyle: 'short' });
const DAY_AND_TIME = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' });
const THIS_YEAR = new Intl.DateTimeFormat(undefined, {
  month: 'short',
  day: 'numeric',
  hour: 'numeric',
  minute: '2-digit',
});

export const timeText = (date: Date): string => TIME.format(date);
export const longDayText = (date: Date): string => LONG_DAY.format(date);
/** A kept time in a narrow place: the year only where it is another than this one. */
export const shortTimeText = (at: string): string =>
  written(at, new Date(at).getFullYear() === new Date().getFullYear() ? THIS_YEAR : DAY_AND_TIME);
/** A kept time as a day; as it was kept where it is none. */
export const dayText = (at: string): string => written(at, DAY);
/** A kept time as a day and a time; as it was kept where it is none. */
export const dayAndTimeText = (at: string): string => written(at, DAY_AND_TIME);

function written(at: string, format: Intl.DateTimeFormat): string {
  const date = new Date(at);
  return Number.isNaN(date.getTime()) ? at : format.format(date);
}

const never = () => () => {};

/** A kept time as a day: the server, which does not know the browser's language, writes it as it is kept. */
export function Day({ at }: { at: string }) {
  const text = useSyncExternalStore(
    never,
    () => dayText(at),
    () => at.slice(0, 10),
  );
  return <time dateTime={at}>{text}</time>;
}
