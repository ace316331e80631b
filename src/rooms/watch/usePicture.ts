import { useEffect, useRef, useState } from 'react'
import { firstProblem } from '../../core/foundations/outcome'
import { WHOLE_PICTURE, type Frame } from '../../core/picture/frame'
import type { GreenCover } from '../../core/picture/greenCover'
import type { MadePicture } from '../../core/picture/made'
import type { PreparedPicture } from '../../compute/picture/picture'
import { pictures } from '../../compute/picture/pictureClient'

type Wish = { picture: PreparedPicture; frame: Frame; threshold: number | null }

/**
 * A picture in hand: made ready in the worker, and its cover read anew when frame or threshold move. `onTaken` is told of each
 * that is taken.
 */
export function usePicture(onTaken?: (picture: PreparedPicture) => void) {
  const [picture, setPicture] = useState<PreparedPicture | null>(null)
  const [url, setUrl] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState<string | null>(null)
  const [frame, setFrame] = useState<Frame>(WHOLE_PICTURE)
  const [threshold, setThreshold] = useState<number | null>(null)
  const [reading, setReading] = useState<GreenCover | null>(null)
  /** What is to be read next, and whether a reading is under way: a dragged corner asks faster than pictures are read. */
  const next = useRef<Wish | null>(null)
  const underWay = useRef(false)

  useEffect(() => () => void (url && URL.revokeObjectURL(url)), [url])
  useEffect(() => {
    next.current = picture && { picture, frame, threshold }
    if (!underWay.current) void readAll()

    async function readAll() {
      underWay.current = true
      for (let wish = next.current; wish; wish = next.current) {
        next.current = null
        try {
          const found = await pictures().cover(wish.frame, wish.threshold)
          const wanted = next.current as Wish | null
          if (!wanted || wanted.picture === wish.picture) setReading(found)
        } catch (error) {
          setProblem(error instanceof Error ? error.message : 'The cover could not be read.')
        }
      }
      underWay.current = false
    }
  }, [picture, frame, threshold])

  function take(found: PreparedPicture) {
    setReading(null)
    setFrame(WHOLE_PICTURE)
    setThreshold(null)
    setPicture(found)
    onTaken?.(found)
    setUrl(URL.createObjectURL(new Blob([found.full], { type: 'image/jpeg' })))
  }

  async function work(make: () => Promise<PreparedPicture | string>) {
    setBusy(true)
    setProblem(null)
    try {
      const found = await make()
      if (typeof found === 'string') setProblem(found)
      else take(found)
    } catch {
      setProblem('The picture could not be read on this device. Choose a smaller one.')
    }
    setBusy(false)
  }

  return {
    picture,
    url,
    busy,
    problem,
    frame,
    setFrame,
    threshold,
    setThreshold,
    reading,
    choose: (file: File) =>
      work(async () => {
        const outcome = await pictures().prepare(file)
        return outcome.ok ? outcome.value : firstProblem(outcome.problems)
      }),
    make: (wish: MadePicture) => work(() => pictures().make(wish)),
    drop: () => {
      setPicture(null)
      setUrl(null)
      setReading(null)
    },
  }
}
