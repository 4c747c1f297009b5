import { savedWhen } from './saved-when';

describe('when a state was saved', () => {
  const now = new Date(2026, 4, 12, 15, 30);
  const ago = (minutes: number) => savedWhen(new Date(now.getTime() - minutes * 60_000).toISOString(), now);

  test('near by the distance, today by the time, further by the date', () => {
    expect([ago(0.5), ago(1), ago(59.9)]).toEqual(['less than a minute ago', '1 min ago', '59 min ago']);
    expect([ago(60), ago(15 * 60)]).toEqual(['today, 2:30 PM', 'today, 12:30 AM']);
    expect([ago(16 * 60), ago(24 * 60 * 100)]).toEqual([
      expect.stringMatching(/^May 11, 2026/),
      expect.stringMatching(/^Feb 1, 2026/),
    ]);
  });

  test('a clock that runs ahead on the server does no harm', () => {
    expect(ago(-3)).toBe('less than a minute ago');
  });
});
