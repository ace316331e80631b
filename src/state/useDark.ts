import { useEffect, useState } from 'react'

/** Whether the dark theme is on, following the choice and the system. */
export function useDark(): boolean {
  const [dark, setDark] = useState(() => document.documentElement.dataset.theme === 'gall')
  useEffect(() => {
    const observer = new MutationObserver(() => setDark(document.documentElement.dataset.theme === 'gall'))
    observer.observe(document.documentElement, { attributes: true, attributeFilter: ['data-theme'] })
    return () => observer.disconnect()
  }, [])
  return dark
}
