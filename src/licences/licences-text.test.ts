import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { licencesText, type Lock } from './licences-text';

const ROOT = join(__dirname, '../..');
const read = (file: string): string => readFileSync(join(ROOT, file), 'utf8');
const lock = JSON.parse(read('package-lock.json')) as Lock;

test('docs/licences.md is current (npm run licences writes it)', () => {
  expect(read('docs/licences.md')).toBe(licencesText(lock));
});

test('everything that package.json asks for is in it, the fonts under theirs', () => {
  const text = licencesText(lock);
  const { dependencies } = JSON.parse(read('package.json')) as { dependencies: Record<string, string> };
  for (const [name, version] of Object.entries(dependencies)) expect(text).toContain(`- ${name} ${version}\n`);
  const fonts = text.slice(text.indexOf('## OFL-1.1')).split('\n## ')[0]!;
  for (const name of Object.keys(dependencies).filter((one) => one.startsWith('@fontsource/')))
    expect(fonts).toContain(`- ${name} `);
});

test('a package without a licence is named, what only builds and tests is left out', () => {
  const of = (packages: Lock['packages']) => () => licencesText({ packages: { '': {}, ...packages } });
  expect(of({ 'node_modules/a': { version: '1.0.0' } })).toThrow('under which licence a is');
  expect(of({ 'node_modules/a': { version: '1.0.0', dev: true } })()).not.toContain('- a');
  expect(of({ 'node_modules/b/node_modules/@x/a': { version: '2.0.0', license: 'MIT' } })()).toContain(
    '## MIT\n\n- @x/a 2.0.0\n',
  );
});
