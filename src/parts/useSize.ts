import { useLayoutEffect, useState, type RefObject } from 'react'

/**
 * Width in px of an element, followed as it changes; until it has been laid out `first`, or 0. It is never asked for: that
 * would make the browser lay out the page once more.
 */
export function useWidth(ref: RefObject<HTMLElement | null>, first = 0): number {
  const [width, setWidth] = useState(first)
  useLayoutEffect(() => {
    const element = ref.current
    if (!element) return
    const observer = new ResizeObserver(([entry]) => setWidth(Math.floor(entry.contentRect.width)))
    observer.observe(element)
    return () => observer.disconnect()
  }, [ref])
  return width
}

/** Height of the window in px, followed as it changes. */
export function useWindowHeight(): number {
  const [height, setHeight] = useState(window.innerHeight)
  useLayoutEffect(() => {
    const follow = () => setHeight(window.innerHeight)
    window.addEventListener('resize', follow)
    return () => window.removeEventListener('resize', follow)
  }, [])
  return height
}
