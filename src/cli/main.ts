import { runCommand } from './command';
import { said } from './said';

void said(() => runCommand(process.argv.slice(2)));
