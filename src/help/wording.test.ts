import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';

/** Words that people are not shown, and what is said instead. */
const NOT_SAID: readonly (readonly [RegExp, string])[] = [
  [
    /(?<!per turn )\b(puts?|putting) in\b(?! (order|place|its|the|a|one|another|brackets|words|force))/i,
    'input torque, engage',
  ],
  [/\b(lets?|letting) go\b/i, 'release, overrun'],
  [/\b(fights?|fighting|eats|bites?)\b/i, 'tie up, take, engage'],
  [/\bmend(s|ed)?\b/i, 'fix, apply'],
  [/\b(leave|drop) (it|them)\b(?! out of)|\bkeep it\b|\btake them up\b/i, 'cancel, discard, save'],
  [/\btold to within\b/i, 'resolution'],
  [/\btaller\b/i, 'larger ratio'],
  [/\bruns? ahead\b|\bturning along\b/i, 'overrun, idle'],
  [/\bby chance\b/i, 'random'],
  [/\bway round\b|\bdriven back(ward)?\b/i, 'inverse, direction, back-drive'],
];

const SOURCES = join(__dirname, '..');

/** What a source file can show: text between tags, and texts of more than one word. */
function textsOf(path: string): readonly string[] {
  const file = ts.createSourceFile(path, readFileSync(path, 'utf8'), ts.ScriptTarget.Latest, true);
  const texts: string[] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isJsxText(node)) texts.push(node.text);
    else if (ts.isStringLiteralLike(node) || ts.isTemplateLiteralToken(node)) texts.push(node.text);
    ts.forEachChild(node, visit);
  };
  visit(file);
  return texts.map((text) => text.replace(/\s+/g, ' ').trim()).filter((text) => text.includes(' '));
}

const files = readdirSync(SOURCES, { recursive: true, encoding: 'utf8' }).filter(
  (path) => /\.tsx?$/.test(path) && !/\.test\.tsx?$|^testing\//.test(path),
);

const said = files.flatMap((path) => textsOf(join(SOURCES, path)).map((text) => ({ path, text })));

test.each(NOT_SAID)('no text says %s', (words, instead) => {
  const found = said
    .filter(({ text }) => words.test(text))
    .map(({ path, text }) => `${path}: "${text}": say ${instead}`);
  expect(found).toEqual([]);
});
