import { startTransition, useEffect, useState } from 'react'

/** False until what stands on the page with it has been painted: for drawings, which cost more than words and numbers. */
export function useAfterPaint(): boolean {
  const [painted, setPainted] = useState(false)
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined
    const frame = requestAnimationFrame(() => {
      timer = setTimeout(() => startTransition(() => setPainted(true)))
    })
    return () => {
      cancelAnimationFrame(frame)
      clearTimeout(timer)
    }
  }, [])
  return painted
}
