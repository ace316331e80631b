import { useEffect, useRef, type ReactNode } from 'react'

/** A modal dialog that the browser keeps focus inside of; Escape closes it. */
export function Dialog({
  open,
  onClose,
  title,
  children,
}: {
  open: boolean
  onClose: () => void
  title: string
  children: ReactNode
}) {
  const ref = useRef<HTMLDialogElement>(null)
  useEffect(() => {
    const dialog = ref.current
    if (!dialog) return
    if (open && !dialog.open) dialog.showModal()
    if (!open && dialog.open) dialog.close()
  }, [open])
  return (
    <dialog ref={ref} className="modal" aria-label={title} onClose={onClose}>
      <div className="modal-box max-w-xl border border-base-300">
        <div className="flex items-start justify-between gap-4">
          <h2>{title}</h2>
          <button className="btn btn-ghost btn-sm" onClick={onClose}>
            Close
          </button>
        </div>
        {open && children}
      </div>
    </dialog>
  )
}
