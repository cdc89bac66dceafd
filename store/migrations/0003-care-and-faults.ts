/** No table changes: a machine's state tells more of its book from here on, so every book is folded again. */
export async function up(): Promise<void> {}
