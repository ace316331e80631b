/** A climate's name in the records while nobody has said where the garden lies. */
export const PLACE_NOT_TOLD = 'not told'
