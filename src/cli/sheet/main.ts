import { readOptions } from '../options';
import { readTrainFile } from '../read-train';
import { said } from '../said';
import { sheetText } from './sheet-text';

/** The verb that draws: a program of its own, so that the others start without what it needs. */
void said(() => {
  const { file, ...options } = readOptions(process.argv.slice(3), ['format', 'speed', 'torque', 'convention', 'words']);
  return sheetText(readTrainFile(file), options);
  // What draws keeps a channel open that nothing will come through any more.
}).then(() => process.stdout.write('', () => process.exit()));
