/** A moment of a run: hundredths of a second are what a person at the bench can tell apart. */
export const seconds = (timeS: number): string => `${timeS.toFixed(2)} s`;
