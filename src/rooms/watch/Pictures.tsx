import { useEffect, useMemo } from 'react'
import type { PreparedPicture } from '../../compute/picture/picture'
import { bytesText } from '../../text/format'
import type { Checking } from './useChecking'
import { useRoom } from './useRoom'

/** Pictures taken with the check that is being filled in, and the storage they take. */
export function Pictures({ checking }: { checking: Checking }) {
  const room = useRoom()
  if (checking.pictures.length === 0) return null
  return (
    <div>
      <ul className="flex flex-wrap gap-2" aria-label="Pictures of this check">
        {checking.pictures.map((picture) => (
          <li key={picture.id}>
            <Small picture={picture} />
            <button
              type="button"
              className="btn btn-ghost btn-xs"
              onClick={() => checking.removePicture(picture)}
            >
              Take away
            </button>
          </li>
        ))}
      </ul>
      {room && (
        <p className="quiet text-sm">
          {room.count} pictures kept, {bytesText(room.pictures)}
          {room.free === null ? '' : `; the browser has ${bytesText(room.free)} left`}.
        </p>
      )}
    </div>
  )
}

function Small({ picture }: { picture: PreparedPicture }) {
  const url = useMemo(() => URL.createObjectURL(new Blob([picture.small], { type: 'image/jpeg' })), [picture])
  useEffect(() => () => URL.revokeObjectURL(url), [url])
  return <img src={url} alt="Taken for this check" className="h-20 border border-base-300" />
}
