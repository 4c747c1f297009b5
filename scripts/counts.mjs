/**
 * `npm run counts`: figures of the house that are to go down, counted over the sources without their tests.
 * Types are resolved by nobody here: what is counted is what stands in the text, by the compiler's own parser.
 */
import { execSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import ts from 'typescript';

const files = execSync("git ls-files 'src/*.ts' 'src/*.tsx'", { encoding: 'utf8' })
  .trim()
  .split('\n')
  .filter((file) => !/\.test\.tsx?$|^src\/testing\//.test(file));

const counts = {
  files: files.length,
  lines: 0,
  linesOver120: 0,
  formatterIgnored: 0,
  nonNullAssertions: 0,
  finds: 0,
  opensOfATrain: 0,
  jsonTextsAsKeys: 0,
  resultShapes: 0,
  filesOver300Lines: 0,
  functionsOver60Lines: 0,
  componentsOver120Lines: 0,
};
/** Where each exported name is declared. */
const exported = new Map();

/** A function's length, and whether it is a component: it has a capital letter and stands in a tsx file. */
function measureFunction(node, name, source, file) {
  const line = (at) => source.getLineAndCharacterOfPosition(at).line;
  const length = line(node.end) - line(node.getStart()) + 1;
  const isComponent = file.endsWith('.tsx') && /^[A-Z]/.test(name);
  if (isComponent && length > 120) counts.componentsOver120Lines++;
  if (!isComponent && length > 60) counts.functionsOver60Lines++;
}

const isExported = (node) =>
  ts.canHaveModifiers(node) && (ts.getModifiers(node) ?? []).some(({ kind }) => kind === ts.SyntaxKind.ExportKeyword);

function addExport(name, file) {
  exported.set(name, [...(exported.get(name) ?? []), file]);
}

/** An object type with `ok: false` that is written out where it is used. */
const isRefusal = (node) =>
  ts.isTypeLiteralNode(node) &&
  node.members.some(
    (member) => ts.isPropertySignature(member) && member.name.getText() === 'ok' && member.type?.getText() === 'false',
  );

function count(node, source, file) {
  if (ts.isNonNullExpression(node)) counts.nonNullAssertions++;
  if (ts.isCallExpression(node)) {
    const called = node.expression.getText();
    if (called.endsWith('.find')) counts.finds++;
    if (called === 'openTrain' || called === 'networkOf') counts.opensOfATrain++;
    if (called === 'JSON.stringify' && /[kK]ey/.test(node.parent.getText().split('\n')[0])) counts.jsonTextsAsKeys++;
  }
  if (isRefusal(node)) counts.resultShapes++;
  if (ts.isFunctionDeclaration(node) && node.name) measureFunction(node, node.name.text, source, file);
  if (ts.isVariableDeclaration(node) && node.initializer && ts.isArrowFunction(node.initializer))
    measureFunction(node.initializer, node.name.getText(), source, file);
  ts.forEachChild(node, (child) => count(child, source, file));
}

for (const file of files) {
  const text = readFileSync(file, 'utf8');
  const lines = text.split('\n');
  counts.lines += lines.length - 1;
  counts.linesOver120 += lines.filter((line) => [...line].length > 120).length;
  counts.formatterIgnored += (text.match(/prettier-ignore/g) ?? []).length;
  if (lines.length > 301) counts.filesOver300Lines++;
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  for (const node of source.statements) {
    if (!isExported(node)) continue;
    if (ts.isVariableStatement(node))
      for (const { name } of node.declarationList.declarations) if (ts.isIdentifier(name)) addExport(name.text, file);
    if ('name' in node && node.name && ts.isIdentifier(node.name)) addExport(node.name.text, file);
  }
  count(source, source, file);
}

// Routes have the names that the framework gives them.
const NEXT = /^(GET|HEAD|POST|PUT|PATCH|DELETE|OPTIONS|metadata|config|proxy|register|dynamic)$/;
const twice = [...exported].filter(([name, places]) => places.length > 1 && !NEXT.test(name));
for (const [name, value] of Object.entries(counts)) console.log(`${name}: ${value}`);
console.log(`exportedNamesDeclaredMoreThanOnce: ${twice.length}`);
for (const [name, places] of twice) console.log(`  ${name}: ${places.join(', ')}`);
