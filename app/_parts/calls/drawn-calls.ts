/** On a page that draws calls: which ones it was drawn with, so that it can be told when that is no longer so. */
export const DRAWN_CALLS = 'data-drawn-calls'
