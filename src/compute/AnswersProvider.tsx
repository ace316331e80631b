import { QueryClientProvider } from '@tanstack/react-query'
import type { ReactNode } from 'react'
import { AnswersContext, type Answers } from './answers'

/** Gives the page below it the answers that it asks for. */
export const AnswersProvider = ({ answers, children }: { answers: Answers; children: ReactNode }) => (
  <AnswersContext value={answers}>
    <QueryClientProvider client={answers.client}>{children}</QueryClientProvider>
  </AnswersContext>
)
