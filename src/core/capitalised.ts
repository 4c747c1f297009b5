/** A text that begins with a capital letter. */
export const capitalised = (text: string): string => text.slice(0, 1).toUpperCase() + text.slice(1);
