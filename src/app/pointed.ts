import { useEffect, useRef } from 'react'
import { THINGS } from '../text/help'

/** What the nearest thing about an element is, in words; null where nothing is written of it. */
export const thingAt = (element: Element | null): string | null => {
  const named = element?.closest('[data-help]')
  return (named && THINGS[named.getAttribute('data-help') ?? '']) ?? null
}

/** What lies under the pointer, or else what has the focus, explained; null where nothing there is. */
export function usePointed(): () => string | null {
  const at = useRef<{ x: number; y: number } | null>(null)
  useEffect(() => {
    const follow = ({ clientX: x, clientY: y }: PointerEvent) => (at.current = { x, y })
    document.addEventListener('pointermove', follow, { passive: true })
    return () => document.removeEventListener('pointermove', follow)
  }, [])
  return () =>
    (at.current && thingAt(document.elementFromPoint(at.current.x, at.current.y))) ??
    thingAt(document.activeElement)
}
