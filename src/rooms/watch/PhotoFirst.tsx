import { ProblemLine } from '../../parts/ProblemLine'
import { percent } from '../../text/format'
import { Pictures } from './Pictures'
import type { Checking } from './useChecking'
import { usePicture } from './usePicture'

/** A photo before any question: it is kept with the check, and what it shows of the green can answer for the eye. */
export function PhotoFirst({ checking }: { checking: Checking }) {
  const hand = usePicture((picture) => void checking.addPicture(picture))
  const read = hand.reading
  const seen = read && Math.round(read.cover * 100)
  return (
    <div className="mt-2">
      <label className="btn h-12 w-full text-lg">
        {checking.pictures.length > 0 ? 'Another photo' : 'Photo first'}
        <input
          type="file"
          accept="image/*"
          capture="environment"
          className="sr-only"
          onChange={(event) => {
            const file = event.target.files?.[0]
            event.target.value = ''
            if (file) void hand.choose(file)
          }}
        />
      </label>
      {hand.busy && <p role="status">Reading the photo …</p>}
      <ProblemLine text={hand.problem} />
      <Pictures checking={checking} />
      {read && seen !== null && !read.tooMuchShadow && checking.draft.cover !== String(seen) && (
        <button
          type="button"
          className="btn mt-1 h-12 w-full"
          onClick={() =>
            checking.change({ cover: String(seen), pictureError: String(Math.round(read.error * 100)) })
          }
        >
          It shows {percent(read.cover)} green: take that
        </button>
      )}
      {read?.tooMuchShadow && (
        <p>Too much hard shadow to read the green; take it in the shade of your body.</p>
      )}
    </div>
  )
}
