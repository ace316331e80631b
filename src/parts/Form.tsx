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
      // Buttons that fill or choose change what is wished for too.
      onClick={(event) =>
        (event.target as Element).closest('button[aria-pressed], button[type=button]') && changed()
      }
      onSubmit={(event) => {
        event.preventDefault()
        run()
      }}
    >
      {children}
    </form>
  )
}
