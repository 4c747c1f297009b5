/** The number of a version as it stands in an address; null where it is none. */
export const versionNumber = (text: string | null): number | null =>
  text !== null && /^[1-9]\d{0,8}$/.test(text) ? Number(text) : null;
