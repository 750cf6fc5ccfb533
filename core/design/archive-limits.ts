/** Largest archive of a room that is looked at, bytes; and what it may hold. */
export const ARCHIVE_LIMITS = { packedBytes: 80_000_000, bytes: 160_000_000, photoBytes: 60_000_000, files: 4000 };
