/** Share of right answers from which an exercise is done; it can be tried as often as wanted. */
export const PASS = 0.8
