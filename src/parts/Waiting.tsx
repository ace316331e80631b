/** A calculation under way with its share done and a way to stop it, or its failure with a way to try again. */
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
  if (error)
    return (
      <p role="alert" className="my-3">
        {what} failed: {error}{' '}
        <button className="btn btn-sm ml-2" onClick={onRetry}>
          Try again
        </button>
      </p>
    )
  if (!running) return null
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
