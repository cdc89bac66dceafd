/**
 * Which build this program is of: a page bears it, and the server says it on every line, so that a page from before an upgrade knows.
 * Written in by the build; empty where nothing is built.
 */
export const BUILD: string = process.env.ORTHODEX_BUILD ?? ''
