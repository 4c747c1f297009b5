import { csvText, escapeMarkdown, markdownText, tabText } from './table-text';

const hostile = { head: ['Member', 'Turns'], rows: [['=HYPERLINK("http://x.example")', '-592/133'], ['@sum, a "quoted" name', '+1'], ['-1+cmd', '0.5'], ['two\nlines\tand tab', '-3']] };

test('in CSV names cannot become formulas or cells, numbers stay numbers', () => {
  expect(csvText(hostile)).toBe('Member,Turns\r\n"\'=HYPERLINK(""http://x.example"")",-592/133\r\n"\'@sum, a ""quoted"" name",+1\r\n"\'-1+cmd",0.5\r\n"two\nlines\tand tab",-3\r\n');
});

test('on the clipboard a row stays a row', () => {
  const lines = tabText(hostile).split('\r\n');
  expect(lines).toHaveLength(5);
  for (const line of lines) expect(line.split('\t')).toHaveLength(2);
});

test('in Markdown names are shown as they are', () => {
  const text = markdownText({ head: ['Member'], rows: [['<img src=x onerror=alert(1)>'], ['a | b *c* `d` [e](f)'], ['x\ny']] });
  expect(text).not.toMatch(/(?<!\\)[<>`*]/);
  expect(text.split('\n').filter(Boolean)).toHaveLength(5);
  for (const line of text.split('\n').filter(Boolean)) expect(line.replaceAll('\\|', '').match(/\|/g)).toHaveLength(2);
  expect(escapeMarkdown('R&D_1')).toBe('R\\&D\\_1');
});
