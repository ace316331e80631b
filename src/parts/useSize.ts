import { useLayoutEffect, useState, type RefObject } from 'react'

/** Width in px of an element, followed as it changes; 0 before the first layout. */
export function useWidth(ref: RefObject<HTMLElement | null>): number {
  const [width, setWidth] = useState(0)
  useLayoutEffect(() => {
    const element = ref.current
    if (!element) return
    // At once, so that nothing is painted without its width.
    setWidth(element.clientWidth)
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
