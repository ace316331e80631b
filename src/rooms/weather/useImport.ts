import Papa from 'papaparse'
import { useRef, useState } from 'react'
import { guessMapping } from '../../core/site/file/guess'
import type { Mapping } from '../../core/site/file/cells'
import type { FileReading } from '../../core/site/file/read'
import { observedDays } from '../../core/garden/weatherDays'
import { useAct, useGarden } from '../../state/garden'
import { useAnswers } from '../../compute/answers'
import { QuestionCancelled } from '../../compute/pool'
import { importDays } from '../../actions/observeWeather'

/** Characters looked at to guess the columns. */
const SAMPLE = 64_000
const SAMPLE_ROWS = 60
/** Largest file read; daily weather of two centuries is a tenth of it. */
const LARGEST_BYTES = 100_000_000

export type ImportState =
  | { step: 'none'; problem?: string }
  | { step: 'columns'; file: File; sample: string[][]; mapping: Mapping | null }
  | { step: 'reading'; file: File; sample: string[][]; mapping: Mapping; progress: number }
  | { step: 'read'; file: File; sample: string[][]; mapping: Mapping; reading: FileReading }

/** Importing a file of daily weather: choose, say what the columns are, read it all, look, and only then store. */
export function useImport() {
  const { data, weather } = useGarden()
  const act = useAct()
  const [state, setState] = useState<ImportState>({ step: 'none' })
  const cancel = useRef<() => void>(() => {})
  const { pool } = useAnswers()

  async function choose(file: File) {
    if (file.size > LARGEST_BYTES)
      return setState({
        step: 'none',
        problem: `${file.name} is ${Math.round(file.size / 1e6)} MB; files up to ${LARGEST_BYTES / 1e6} MB are read. Export daily values, or fewer years.`,
      })
    try {
      const text = (await file.slice(0, SAMPLE).text()).replace(/^\uFEFF/, '')
      if (text.trim() === '')
        return setState({
          step: 'none',
          problem: `${file.name} is empty. Choose a file with one row for each day.`,
        })
      const { data: rows } = Papa.parse<string[]>(text, { preview: SAMPLE_ROWS })
      const sample = rows.filter((row) => !row[0]?.startsWith('#'))
      setState({ step: 'columns', file, sample, mapping: guessMapping(sample) })
    } catch {
      setState({ step: 'none', problem: `${file.name} could not be read. Is it still where it was?` })
    }
  }

  function remap(mapping: Mapping) {
    if (state.step !== 'none') setState({ step: 'columns', file: state.file, sample: state.sample, mapping })
  }

  function read() {
    if (state.step !== 'columns' || !state.mapping) return
    const { file, sample, mapping } = state
    setState({ step: 'reading', file, sample, mapping, progress: 0 })
    const stop = new AbortController()
    cancel.current = () => stop.abort()
    const onProgress = (progress: number) =>
      setState((now) => (now.step === 'reading' ? { ...now, progress } : now))
    pool.ask('readWeatherFile', [file, mapping], { signal: stop.signal, onProgress }).then(
      (reading) => setState({ step: 'read', file, sample, mapping, reading }),
      (error: unknown) =>
        setState(
          error instanceof QuestionCancelled
            ? { step: 'columns', file, sample, mapping }
            : {
                step: 'none',
                problem: `${file.name} could not be read: ${error instanceof Error ? error.message : 'unknown reason'}.`,
              },
        ),
    )
  }

  /** Stores what was read, and on request the normals of its whole years, as one step that can be undone. */
  async function store(withNormals: boolean): Promise<void> {
    if (state.step !== 'read') return
    const { days } = state.reading
    const stored = await act(importDays(data.garden, weather, days, withNormals))
    setState(stored ? { step: 'none' } : { ...state })
  }

  /** Days of the file that are known already and would be replaced. */
  const replaced =
    state.step === 'read'
      ? (() => {
          const known = new Set(observedDays(weather).map(({ day }) => day))
          return state.reading.days.filter(({ day }) => known.has(day)).length
        })()
      : 0

  return {
    state,
    replaced,
    choose,
    remap,
    read,
    store,
    stop: () => cancel.current(),
    leave: () => setState({ step: 'none' }),
  }
}
