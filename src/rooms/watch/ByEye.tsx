import { useEffect, useState } from 'react'
import type { PlantGroup } from '../../core/plants/parameters'
import { percent } from '../../text/format'
import { pictures } from '../../compute/picture/pictureClient'

const COVERS = [0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9]
const kept = new Map<PlantGroup, Promise<string[]>>()

/** Addresses of the reference pictures of a group, made once. */
function referencesOf(group: PlantGroup): Promise<string[]> {
  const known = kept.get(group)
  if (known) return known
  const made = pictures()
    .references(group, COVERS)
    .then((all) => all.map((bytes) => URL.createObjectURL(new Blob([bytes], { type: 'image/jpeg' }))))
  made.catch(() => kept.delete(group))
  kept.set(group, made)
  return made
}

/** Cover by eye: pictures of known cover to hold the bed against. */
export function ByEye({
  group,
  value,
  onPick,
  large = false,
}: {
  group: PlantGroup
  value: string
  onPick: (percentCover: number) => void
  large?: boolean
}) {
  const [urls, setUrls] = useState<string[]>([])
  useEffect(() => {
    let here = true
    referencesOf(group).then(
      (made) => here && setUrls(made),
      () => undefined,
    )
    return () => {
      here = false
    }
  }, [group])
  return (
    <ul className="grid grid-cols-3 gap-1.5" aria-label="Cover by eye">
      {COVERS.map((cover, i) => {
        const chosen = value !== '' && Math.abs(Number(value) / 100 - cover) < 0.005
        return (
          <li key={cover}>
            <button
              type="button"
              aria-pressed={chosen}
              aria-label={`${Math.round(cover * 100)} % green`}
              onClick={() => onPick(Math.round(cover * 100))}
              className={`relative block w-full overflow-hidden bg-base-300 ${large ? 'h-24' : 'h-16'} ${chosen ? 'outline-3 outline-base-content' : 'hover:outline-2'}`}
            >
              {urls[i] && <img src={urls[i]} alt="" className="h-full w-full object-cover" />}
              <span className="absolute right-0 bottom-0 bg-base-100 px-1.5 text-base font-bold text-base-content">
                {percent(cover)}
              </span>
            </button>
          </li>
        )
      })}
    </ul>
  )
}
