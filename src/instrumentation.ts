/** Opens, migrates and seeds the database when the server starts, not at the first visit; forgets what was deleted long ago. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { database } = await import('@/server/database');
  const { forgetDeleted } = await import('@/server/trains/repository');
  await forgetDeleted(await database(), new Date());
}
