import { mark, type QuestionAnswer, type Slip } from '.';

const asked = (value: string, slips: readonly Slip[] = []) => ({
  answer: { kind: 'number', value, unit: '' } as QuestionAnswer,
  slips,
});

test.each([
  ['64/13', '64/13', 'right'],
  ['64/13', '128/26', 'right'],
  ['64/13', ' 64 / 13 ', 'right'],
  ['64/13', '4.92', 'right'],
  ['64/13', '4,92', 'right'],
  ['64/13', '4.92 : 1', 'right'],
  ['64/13', '4.9231', 'right'],
  ['64/13', '4.91', 'wrong'],
  ['64/13', '4.9', 'wrong'],
  ['1234', '1230', 'right'],
  ['1234', '1240', 'wrong'],
  ['1/320', '0.00313', 'right'],
  ['1/320', '0.0032', 'wrong'],
  ['600', '600 rpm', 'right'],
  ['12', '12 N·m', 'right'],
  ['12', '12 Nm', 'right'],
  ['3', '3 turns', 'right'],
  ['3', '0', 'wrong'],
])('%s answered with %s is %s', (right, given, verdict) => {
  expect(mark(asked(right), given).verdict).toBe(verdict);
});

test.each([
  ['', 'Type a number'],
  ['four', '“four” is not a number'],
  ['1/0', 'is not a number'],
  ['-4.92', 'without a sign'],
  ['−4.92', 'without a sign'],
  ['1,200', 'can be read two ways: write 1.200 or 1200'],
])('%s is not marked, it is asked again', (given, says) => {
  const got = mark(asked('64/13'), given);
  expect(got).toMatchObject({ verdict: 'unread', message: expect.stringContaining(says) as string });
});

test('of two slips that are near, the nearer is named; what no slip leads to is only wrong', () => {
  const slips: readonly Slip[] = [
    { value: '2.001', slip: 'added' },
    { value: '2', slip: 'upside-down' },
  ];
  expect(mark(asked('9', slips), '2')).toEqual({ verdict: 'wrong', slip: 'upside-down' });
  expect(mark(asked('9', slips), '2.001')).toEqual({ verdict: 'wrong', slip: 'added' });
  expect(mark(asked('9', slips), '5')).toEqual({ verdict: 'wrong', slip: null });
});

test('parts count in any order, positions only in their own', () => {
  const parts: QuestionAnswer = { kind: 'parts', value: ['a', 'b'], of: 'members', choices: ['a', 'b', 'c'] };
  const order: QuestionAnswer = { kind: 'order', value: ['b', 'a'], of: 'positions', choices: ['a', 'b'] };
  expect(mark({ answer: parts, slips: [] }, ['b', 'a']).verdict).toBe('right');
  expect(mark({ answer: parts, slips: [] }, ['b']).verdict).toBe('wrong');
  expect(mark({ answer: order, slips: [] }, ['b', 'a']).verdict).toBe('right');
  expect(mark({ answer: order, slips: [{ value: 'a,b', slip: 'the-other-way-round' }] }, ['a', 'b'])).toEqual({
    verdict: 'wrong',
    slip: 'the-other-way-round',
  });
});
