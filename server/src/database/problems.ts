/** The data folder cannot be used, with one clear line that says why. */
export class DatabaseError extends Error {}
