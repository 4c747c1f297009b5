/** The fixed member: always there, never listed. */
export const FRAME = 'frame';
