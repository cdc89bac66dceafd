/** Why an archive is not taken: nothing of it is kept. */
export class BadArchive extends Error {}
