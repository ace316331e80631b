import { useEffect } from 'react'
import { thingAt } from './pointed'

/** On a phone, where nothing points: the next thing that is touched is explained and not opened. */
export function TouchToAsk({ onAsk }: { onAsk: (thing: string | null) => void }) {
  useEffect(() => {
    function ask(event: MouseEvent) {
      event.preventDefault()
      event.stopPropagation()
      const target = event.target as Element
      onAsk(thingAt(target))
    }
    document.addEventListener('click', ask, { capture: true })
    return () => document.removeEventListener('click', ask, { capture: true })
  }, [onAsk])
  return (
    <p
      role="status"
      className="fixed inset-x-0 bottom-14 z-40 border-y border-base-content bg-base-200 px-4 py-3 text-center font-semibold lg:bottom-0"
    >
      Touch what you want explained.
    </p>
  )
}
