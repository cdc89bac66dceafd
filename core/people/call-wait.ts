/** So long a call may stand unseen before the learner is told to speak up. */
export const UNSEEN_AFTER_MS = 45_000
