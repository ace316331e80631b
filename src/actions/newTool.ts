import { newId } from '../data/ids'

/** The id of a tool that is written down for the first time. */
export const newToolId = (): string => newId('tool')
