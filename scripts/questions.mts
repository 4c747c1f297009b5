/**
 * `npx tsx scripts/questions.mts [count] [seed]`: questions of Practice over every train of the saltworks as text, with
 * answers and choices, so that someone who teaches can read them and strike out what is badly put.
 */
import { readdirSync, readFileSync } from 'node:fs';
import { practise } from '../src/core/practice';
import { parseTrain } from '../src/core/train';

const [count = 1000, seed = 1] = process.argv.slice(2).map(Number);
const files = readdirSync('demo/trains');
const each = Math.ceil(count / files.length);
for (const file of files) {
  const parsed = parseTrain(readFileSync(`demo/trains/${file}`, 'utf8'));
  if (!parsed.ok) throw new Error(file);
  console.log(`\n== ${parsed.train.name}`);
  for (const { skill, text, answer, slips } of practise(parsed.train, { seed, count: each }).questions) {
    const choices = 'choices' in answer ? ` [${answer.choices.join(' | ')}]` : '';
    const wrong = slips.length > 0 ? ` slips: ${slips.map(({ value, slip }) => `${value} (${slip})`).join(', ')}` : '';
    console.log(`${skill}: ${text}\n  = ${JSON.stringify(answer.value)}${choices}${wrong}`);
  }
}
