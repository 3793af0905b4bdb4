/** A file that is no table, with a sentence that says why and what to do. */
export class TableError extends Error {}
