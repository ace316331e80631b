/** Version of the stored and exported garden data. */
export const GARDEN_SCHEMA_VERSION = 17
