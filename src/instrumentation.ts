/** Opens, migrates and seeds the database when the server starts, not at the first visit. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { database } = await import('@/server/database');
  await database();
}
