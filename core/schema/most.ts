/** More than any room has of anything, and little enough to reckon with. */
export const MOST = 1e9
