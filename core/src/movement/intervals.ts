/** Intervals that each stretch between two key poses is sampled in. */
export const INTERVALS = 8;
