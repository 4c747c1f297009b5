/** Which way the output turns: as the input, against it, or either. */
export type Turning = 'any' | 'same' | 'opposite';
