const everywhere = globalThis as { orthodex?: object }

/**
 * What this process keeps between two questions. Pages, routes and what starts the server are bundled apart and load each
 * module for themselves: what stands in a module is there more than once, and what one of them changes the others do not know of.
 */
export const ofProcess = <Kept extends object>(): Partial<Kept> => (everywhere.orthodex ??= {})
