import { createContext } from 'react'
import type { LoomLayout } from './layout'

/** Where the beds and weeks of the sheet lie, for what is moved on it. */
export const SheetLayout = createContext<LoomLayout>(null!)

/** Opens what is asked of a cover that grows in a bed already. */
export const SayGrowing = createContext<(bedId: string) => void>(() => undefined)
