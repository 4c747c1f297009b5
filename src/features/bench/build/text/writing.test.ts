import { demoTrain } from '@/testing/demo-train';
import { setTeeth } from '@/core/train';
import { writeTrain } from '@/core/written-form';
import { done } from '@/testing/edited';
import { editTrain, undo } from '@/features/train/edit';
import { createTrainStore } from '@/features/train/store';
import { patchedText } from './patched';
import { followText, type Read } from './writing';

beforeEach(() => {
  const kept = new Map<string, string>();
  const localStorage = {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, text: string) => void kept.set(key, text),
    removeItem: (key: string) => void kept.delete(key),
  };
  Object.assign(globalThis, { localStorage });
  jest.useFakeTimers();
});
afterEach(() => {
  jest.useRealTimers();
  Reflect.deleteProperty(globalThis, 'localStorage');
});

function open(store = createTrainStore('stirrer', 1, demoTrain('stirrer'))) {
  const told: Read[] = [];
  const writing = followText(store, (read, outside) => void (outside && told.push(read)));
  const train = () => store.getState().train;
  const type = (from: string, to: string) => {
    for (let i = 1; i <= to.length; i++) writing.type(text.replace(from, to.slice(0, i)));
    return writing.now().text;
  };
  const text = writing.now().text;
  return { store, writing, told, train, text, type };
}

test('the document follows what is typed, and a typed edit is one step of undo', () => {
  const { store, train, text, type, told } = open();
  const before = train();
  type('sun 24', 'sun 30');
  expect(train().gears[0]?.teeth).toBe(30);
  jest.advanceTimersByTime(2000);
  undo(store);
  expect(train()).toBe(before);
  expect(told.at(-1)?.text).toBe(text);
});

test('edits with a pause between are steps of their own', () => {
  const { store, train, writing, text } = open();
  writing.type(text.replace('sun 24', 'sun 30'));
  jest.advanceTimersByTime(2000);
  writing.type(text.replace('sun 24', 'sun 30').replace('planet 24', 'planet 21'));
  jest.advanceTimersByTime(2000);
  undo(store);
  expect(train().gears.map(({ teeth }) => teeth)).toEqual([30, 24, 72]);
});

test('what does not read leaves the document, and is there after a reload', () => {
  const { store, train, writing, text } = open();
  const before = train();
  const half = `${text}brake Extra: rign\n`;
  writing.type(half);
  writing.leave();
  expect(train()).toBe(before);
  const again = open(store);
  expect(again.writing.now()).toMatchObject({ text: half, outdated: false, read: { train: null } });
  again.writing.beginAnew();
  expect(again.writing.now().text).toBe(text);
  again.writing.leave();
  expect(open(store).text).toBe(text);
});

test('a text that was typed before the train changed elsewhere says so', () => {
  const { store, train, writing, text } = open();
  writing.type(`${text}brake`);
  writing.leave();
  editTrain(store, done(setTeeth(train(), 's1', 27)));
  expect(open(store).writing.now().outdated).toBe(true);
});

test('the text follows the document; remarks and a person’s own order stay', () => {
  const { store, train, writing, text, told } = open();
  const own = `# the salt pan\n${text.split('\n').reverse().join('\n')}`.replace(
    'brake Hold: ring',
    'brake Hold: ring  # band',
  );
  writing.type(own);
  expect(writing.now().read.train).not.toBeNull();
  jest.advanceTimersByTime(2000);
  editTrain(store, done(setTeeth(train(), 's1', 27)));
  expect(told.at(-1)?.text).toBe(own.replace('sun 24', 'sun 27'));
  // Where it cannot be followed line by line the text is written anew, with the remarks.
  editTrain(store, demoTrain('brine-lift'));
  expect(told.at(-1)?.text).toBe(`# the salt pan\n\n${writeTrain(train())}`);
});

test('a train with a remark opens as it was left', () => {
  const { store, writing, text } = open();
  writing.type(`# mine\n${text}`);
  writing.leave();
  expect(open(store).text).toBe(`# mine\n${text}`);
});

test('a text with remarks follows what was changed while it was closed', () => {
  const { store, train, writing, text } = open();
  writing.type(`# mine\n${text.replace('brake Hold: ring', 'brake Hold: ring # band')}`);
  writing.leave();
  editTrain(store, done(setTeeth(train(), 's1', 27)));
  const again = open(store).writing.now();
  expect(again.text).toContain('# mine');
  expect(again.text).toContain('brake Hold: ring # band');
  expect(again.text).toContain('sun 27 on sun');
  expect(again.read.train).toBe(train());
});

describe('a text is patched', () => {
  test.each([
    ['a\nb\nc', 'a\nb\nc', 'a\nB\nc', 'a\nB\nc'],
    ['c # x\n\nb', 'b\nc', 'b\nC', 'C # x\n\nb'],
    ['b\na', 'a\nb', 'a\nb\nd', 'b\nd\na'],
    ['b\na', 'a\nb', 'b', 'b'],
    ['say "a # b" # so', 'say "a # b"', 'say "a"', 'say "a" # so'],
  ])('%j', (text, before, after, expected) => expect(patchedText(text, before, after)).toBe(expected));

  test('or not, where a line is not as it was written', () => {
    expect(patchedText('a b', 'a  b', 'a c')).toBeNull();
  });
});
