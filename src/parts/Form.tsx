import type { ComponentProps } from 'react'
import { useOnce } from './once'

/** A form that stores once: while it does, and right after, the same press again is ignored. Without `onSubmit` it is only filled in. */
export function Form({
  onSubmit = () => undefined,
  children,
  ...attributes
}: Omit<ComponentProps<'form'>, 'onSubmit' | 'onChange' | 'noValidate'> & { onSubmit?: () => unknown }) {
  const { run, busy, changed } = useOnce(onSubmit)
  return (
    <form
      {...attributes}
      noValidate
      aria-busy={busy || undefined}
      onChange={changed}
      // Choices that are buttons change what is wished for too.
      onClick={(event) => (event.target as Element).closest('button[aria-pressed]') && changed()}
      onSubmit={(event) => {
        event.preventDefault()
        run()
      }}
    >
      {children}
    </form>
  )
}
