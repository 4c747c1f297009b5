import { refusalText } from '../result';
import { parseRational, toFraction, toNumber } from '../rational';
import { clockTime, durationOf, roughTime } from './durations';
import { readWanted, type WantedRatio } from './wanted';
import { missWords, slipWords, wantedWords } from './wanted-words';

const ratio = (wanted: WantedRatio): string => {
  const read = readWanted(wanted);
  return read.ok ? toFraction(read.value.ratio) : refusalText(read);
};

test.each([
  [{ form: 'ratio', ratio: '360/7' }, '360/7'],
  [{ form: 'ratio', ratio: '51,25' }, '205/4'],
  [{ form: 'speeds', in: '1500', out: '25 rpm' }, '60'],
  [{ form: 'speeds', in: '2 turns/s', out: '3 turns/h' }, '2400'],
  // π is in both and cancels.
  [{ form: 'speeds', in: '12.5 rad/s', out: '5 rad/s' }, '5/2'],
  [{ form: 'period', in: '12 rpm', time: '24 h 50 min 28.3 s' }, '894283/50'],
  [{ form: 'period', in: '1 turns/day', time: '365.2422 d' }, '1826211/5000'],
  [{ form: 'period', in: '60', time: '1:30:00' }, '5400'],
  [{ form: 'turns', in: '235', out: '19' }, '235/19'],
] satisfies [WantedRatio, string][])('%j asks for %s', (wanted, expected) => {
  // By hand, the tide: 24·60 + 50 + 28.3/60 minutes, times 12.
  expect(ratio(wanted)).toBe(expected);
});

test('a tip speed has π in it, to more digits than anyone measures', () => {
  const read = readWanted({ form: 'tip', in: '1500 rpm', speed: '200 mm/s', diameter: '400' });
  // 1500/60 · π · 0.4 m in a second, over 0.2 m/s.
  expect(read.ok && toNumber(read.value.ratio)).toBeCloseTo(((1500 / 60) * Math.PI * 0.4) / 0.2, 12);
});

test.each([
  [{ form: 'ratio', ratio: '0' }, /^ratio: The ratio.* cannot be 0/],
  [{ form: 'ratio', ratio: '-4' }, /^ratio: The ratio.* must be above 0; which way/],
  [{ form: 'ratio', ratio: 'four' }, /^ratio: “four” is no number/],
  [{ form: 'ratio', ratio: '' }, /^ratio: Give the ratio/],
  [{ form: 'ratio', ratio: '1e13' }, /^ratio: The ratio lies beyond/],
  [{ form: 'ratio', ratio: '1e-13' }, /^ratio: The ratio lies beyond/],
  [{ form: 'speeds', in: '12 knots', out: '1' }, /^in: Give the input speed in rpm/],
  [{ form: 'speeds', in: '12', out: '0' }, /^out: The output speed cannot be 0/],
  [{ form: 'period', in: '12', time: '24' }, /^time: Write the time/],
  [{ form: 'period', in: '12', time: '0 s' }, /^time: Write the time/],
  [{ form: 'tip', in: '12', speed: '1', diameter: '3 rpm' }, /^diameter: Give the diameter in mm, cm, m/],
  [{ form: 'turns', in: '1/0', out: '3' }, /^in: /],
] satisfies [WantedRatio, RegExp][])('%j is refused at its field', (wanted, message) => {
  expect(ratio(wanted)).toMatch(message);
});

test('times are read and written as clocks have them, and roughly', () => {
  expect(toFraction(durationOf('1 d 2 h')!)).toBe('1560');
  expect(durationOf('2 fortnights')).toBeNull();
  expect(clockTime(durationOf('24 h 50 min 28.3 s')!)).toBe('1 d 50 min 28.3 s');
  expect(clockTime(parseRational('1/4')!)).toBe('15 s');
  expect([0.001, 0.5, 90, 2880, 600_000, 2_000_000].map(roughTime)).toEqual([
    '60 ms',
    '30 s',
    '1.5 h',
    '2 days',
    '417 days',
    '3.8 years',
  ]);
});

test('how far off a ratio is, in the words of what is wanted', () => {
  const tide: WantedRatio = { form: 'period', in: '1 rpm', time: '1440 min' };
  // One turn in 1 441 minutes instead of 1 440 falls a turn behind in 1440 · 1441 minutes.
  expect(missWords(tide, parseRational('1441')!)).toBe(`one turn late in ${roughTime(1440 * 1441)}`);
  expect(missWords(tide, parseRational('1439')!)).toBe(`one turn early in ${roughTime(1440 * 1439)}`);
  expect(missWords(tide, parseRational('1440')!)).toBe('exact');
  // 1200/41 is 29.27 rpm where 30 are wanted.
  expect(missWords({ form: 'speeds', in: '1200', out: '30' }, parseRational('41')!)).toBe('0.7317 rpm too slow');
  expect(missWords({ form: 'speeds', in: '1200', out: '30' }, parseRational('39')!)).toBe('0.7692 rpm too fast');
  const rim: WantedRatio = { form: 'tip', in: '60 rpm', speed: '1 m/s', diameter: '1 m' };
  // π is wanted; at 3.2 the rim makes π/3.2 m/s.
  expect(missWords(rim, parseRational('3.2')!)).toBe('18.25 mm/s too slow at the rim');
  // 101 turns of the input where 100 are wanted: in the time of 101 turns the output makes 100.
  expect(missWords({ form: 'ratio', ratio: '100' }, parseRational('101')!)).toBe('one turn late in 101.0 turns');
});

test('a factor of 10, 60 or 1000, and a ratio turned over, are pointed out; others are not', () => {
  const words = (target: string, present: string) => slipWords(parseRational(target)!, parseRational(present)!);
  expect(words('120', '12')).toMatch(/10 times/);
  expect(words('12', '719')).toMatch(/1\/60 of/);
  expect(words('12000', '12.05')).toMatch(/1000 times/);
  expect(words('1/12', '12')).toMatch(/turned over/);
  expect(words('12', '12')).toBeNull();
  expect(words('110', '12')).toBeNull();
  expect(words('1', '1')).toBeNull();
});

test('what is wanted is said back as a sentence', () => {
  const told = (wanted: WantedRatio) => {
    const read = readWanted(wanted);
    return read.ok ? wantedWords(wanted, read.value.ratio) : '';
  };
  expect(told({ form: 'period', in: '12', time: '24:50:28.3' })).toBe(
    'The output turns once in 1 d 50 min 28.3 s at 12 rpm.',
  );
  expect(told({ form: 'ratio', ratio: '1/4' })).toBe('The output turns 4.000 times for one turn of the input.');
  expect(told({ form: 'tip', in: '1500', speed: '0.2', diameter: '400 mm' })).toBe(
    'A rim of 400 mm runs at 0.2 m/s at 1500 rpm.',
  );
});
