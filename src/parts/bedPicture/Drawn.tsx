import type { ReactNode } from 'react'
import { Waiting } from '../Waiting'
import type { Following } from '../../core/portrait/following'
import type { Pictured } from './DayPicture'
import type { PortraitView } from './usePortrait'

/** A picture once its portrait is there, and where it is not yet what it waits for, or why it failed. */
export function Drawn({
  view: { answer, portrait, stand },
  following,
  children,
}: {
  view: PortraitView
  following: Following | null
  children: (of: Pictured) => ReactNode
}) {
  if (portrait && stand && portrait.standId === stand.id && answer.error === null)
    return children({ portrait, stand, following })
  return (
    <div className="min-h-72">
      <Waiting
        what="Drawing the bed"
        running={answer.running}
        progress={answer.progress}
        error={answer.error}
        onCancel={answer.cancel}
        onRetry={answer.retry}
      />
    </div>
  )
}
