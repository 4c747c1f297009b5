import { csvText, escapeMarkdown, markdownText, tabText } from './table-text';

const hostile = {
  head: ['Member', 'Turns'],
  rows: [
    ['=HYPERLINK("http://x.example")', '-592/133'],
    ['@sum, a "quoted" name', '+1'],
    ['-1+cmd', '0.5'],
    ['two\nlines\tand tab', '-3'],
  ],
};

test('in CSV names cannot become formulas or cells, numbers stay numbers', () => {
  expect(csvText(hostile)).toBe(
    'Member,Turns\r\n"\'=HYPERLINK(""http://x.example"")",-592/133\r\n"\'@sum, a ""quoted"" ' +
      'name",+1\r\n"\'-1+cmd",0.5\r\n"two\nlines\tand tab",-3\r\n',
  );
});

test('blanks and full-width signs before a formula do not arm it', () => {
  const cells = [' =1+1', '\u3000@x', '＝SUM(A1)', '＋1+1', '－2+x', '＠x', '\t=1'];
  const lines = csvText({ head: ['a'], rows: cells.map((cell) => [cell]) })
    .split('\r\n')
    .slice(1, -1);
  expect(lines).toHaveLength(cells.length);
  for (const line of lines) expect(line.replace(/^"/, '')).toMatch(/^'/);
});

test('a fraction is written so that no spreadsheet reads it as a date, and says the same', () => {
  const shown = (cell: string) => csvText({ head: ['a'], rows: [[cell]] }).split('\r\n')[1];
  for (const cell of ['1/4', '11/41', '12/2026', '31/1']) {
    expect(shown(cell)).toBe(cell.replace('/', '\u2044'));
    expect(shown(cell)!.normalize('NFKC').replace('\u2044', '/')).toBe(cell);
  }
  for (const cell of ['1024/361', '64/13', '13/64', '5/128', '-1/12', '0.25', 'gear 1/4'])
    expect(shown(cell)).toBe(cell);
});

test('on the clipboard a row stays a row', () => {
  const lines = tabText(hostile).split('\r\n');
  expect(lines).toHaveLength(5);
  for (const line of lines) expect(line.split('\t')).toHaveLength(2);
});

test('in Markdown names are shown as they are', () => {
  const text = markdownText({
    head: ['Member'],
    rows: [['<img src=x onerror=alert(1)>'], ['a | b *c* `d` [e](f)'], ['x\ny']],
  });
  expect(text).not.toMatch(/(?<!\\)[<>`*]/);
  expect(text.split('\n').filter(Boolean)).toHaveLength(5);
  for (const line of text.split('\n').filter(Boolean)) expect(line.replaceAll('\\|', '').match(/\|/g)).toHaveLength(2);
  expect(escapeMarkdown('R&D_1')).toBe('R\\&D\\_1');
});
