import { statfs } from 'node:fs/promises';
import { dirname } from 'node:path';
import { database } from '@/server/database';
import { workersNow } from '@/server/heavy';
import { endpoints } from '@/server/endpoint';
import { version } from '../../../../package.json';

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = endpoints({
  /**
   * Is the server well: its version, whether its database answers, the room left on the disk, and its worker threads.
   * 503 with the reason where the database does not.
   */
  readHealth: async () => {
    const { sql, trains, file } = await database();
    await sql('PRAGMA schema_version');
    const { bavail, bsize } = await statfs(dirname(file));
    return {
      version,
      database: 'answers',
      trains: await trains.count(),
      freeBytes: bavail * bsize,
      workers: workersNow(),
    };
  },
});
