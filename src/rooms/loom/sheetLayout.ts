import { createContext } from 'react'
import type { LoomLayout } from './layout'

/** Where the beds and weeks of the sheet lie, for what is moved on it. */
export const SheetLayout = createContext<LoomLayout>(null!)
