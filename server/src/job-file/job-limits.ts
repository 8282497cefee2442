/** Recordings of a job have at most so many rows together. */
export const MOST_JOB_ROWS = 2_000_000;
/** So many photographs and recordings. */
export const MOST_JOB_FILES = 1900;
