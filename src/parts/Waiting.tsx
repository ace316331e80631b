import { useLasting } from '../state/useSettled'

/** A calculation that failed, where its answer would stand, with a way to try again; nothing where none did. */
export function Failed({
  what,
  failure,
  className = 'my-3',
}: {
  what: string
  failure: { error: string | null; retry: () => void } | null
  className?: string
}) {
  if (!failure?.error) return null
  return (
    <p role="alert" className={className}>
      {what} failed: {failure.error}{' '}
      <button type="button" className="btn btn-sm ml-2" onClick={failure.retry}>
        Try again
      </button>
    </p>
  )
}

/** A calculation under way for more than half a second with its share done and a way to stop it, or its failure with a way to try again. */
export function Waiting({
  what,
  running,
  progress,
  error,
  onCancel,
  onRetry,
}: {
  what: string
  running: boolean
  progress: number
  error: string | null
  onCancel: () => void
  onRetry: () => void
}) {
  const lasts = useLasting(running)
  if (error) return <Failed what={what} failure={{ error, retry: onRetry }} />
  if (!lasts) return null
  return (
    <p role="status" className="my-3 flex items-center gap-3">
      <span>{what} …</span>
      {progress > 0 && (
        <progress
          className="progress progress-primary w-40"
          value={progress}
          max={1}
          aria-label={`${what}, share done`}
        />
      )}
      <button className="btn btn-xs" onClick={onCancel}>
        Stop
      </button>
    </p>
  )
}
