/**
 * Opens, migrates and seeds the database when the server starts, not at the first visit; forgets what was deleted long
 * ago.
 */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { database, StartupError } = await import('@/server/database');
  const { forgetDeleted } = await import('@/server/trains/repository');
  const { clearLeftFolders, takeBackBrokenOff } = await import('@/server/bundle');
  try {
    const opened = await database();
    await takeBackBrokenOff(opened, new Date());
    await clearLeftFolders(opened.file, new Date());
    await forgetDeleted(opened, new Date());
  } catch (error) {
    if (!(error instanceof StartupError)) throw error;
    // Said once in the log and on every page; each request tries again.
    console.error(error.message);
  }
}
