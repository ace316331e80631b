import { useEffect, useRef, useState } from 'react'
import { firstProblem } from '../../core/foundations/outcome'
import { WHOLE_PICTURE, type Frame } from '../../core/picture/frame'
import type { GreenCover } from '../../core/picture/greenCover'
import type { MadePicture } from '../../core/picture/made'
import type { PreparedPicture } from '../../compute/picture/picture'
import { pictures } from '../../compute/picture/pictureClient'

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
  const newest = useRef(0)

  useEffect(() => () => void (url && URL.revokeObjectURL(url)), [url])
  useEffect(() => {
    if (!picture) return
    const turn = ++newest.current
    pictures()
      .cover(frame, threshold)
      .then(
        (found) => turn === newest.current && setReading(found),
        (error: unknown) =>
          setProblem(error instanceof Error ? error.message : 'The cover could not be read.'),
      )
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
