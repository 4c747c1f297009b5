import { openDatabase, seedDemoTrains } from '@/server/database';

/**
 * A server's start as a program of its own, to be killed at any moment: opens the file named, seeds it, and says so.
 */
async function main([file, demo]: readonly string[]): Promise<void> {
  const database = await openDatabase(file!);
  await seedDemoTrains(database, demo!);
  process.stdout.write('started\n');
}

void main(process.argv.slice(2));
