/** Bounds that forms need without the schemas. */

/** Threads that tell wearers apart. */
export const THREADS = 8;

/** Where peaks may be aimed, and what they may never pass, dBFS. */
export const TARGET_RANGE_DBFS = { minimum: -40, maximum: -1 } as const;
export const CEILING_RANGE_DBFS = { minimum: -30, maximum: 0 } as const;

/** Sound wanted of a scene and its longest take, min. */
export const LENGTH_RANGE_MIN = { minimum: 1, maximum: 720 } as const;
export const TAKE_RANGE_MIN = { minimum: 0.2, maximum: 240 } as const;
/** How far a voice may lie from the standard one, dB. */
export const VOICE_RANGE_DB = { minimum: -15, maximum: 15 } as const;
