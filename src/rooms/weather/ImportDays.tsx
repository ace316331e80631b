import { useImport } from './useImport'
import { ImportColumns } from './ImportColumns'
import { ImportReport } from './ImportReport'

/** Reading a file of daily weather, step by step; nothing is stored before it is confirmed. */
export function ImportDays() {
  const { state, replaced, choose, remap, read, store, stop, leave } = useImport()
  return (
    <div className="mt-2">
      <label className="btn btn-sm">
        {state.step === 'none' ? 'Choose a file' : 'Choose another file'}
        <input
          type="file"
          accept=".csv,.txt,.tsv,text/csv,text/plain"
          className="sr-only"
          aria-label="File of daily weather"
          onChange={(event) => {
            const file = event.target.files?.[0]
            event.target.value = ''
            if (file) void choose(file)
          }}
        />
      </label>
      {state.step === 'none' && (
        <p className="quiet mt-1 max-w-prose text-sm">
          A table with one row for each day: date, lowest and highest temperature, rain, in any order and the
          usual units. With ten whole years or more, days ahead are drawn from them.
        </p>
      )}
      {state.step === 'none' && state.problem && (
        <p role="alert" className="mt-2 font-semibold text-error">
          {state.problem}
        </p>
      )}
      {(state.step === 'columns' || state.step === 'reading' || state.step === 'read') && (
        <>
          <h3 className="mt-3 font-semibold">{state.file.name}</h3>
          <ImportColumns sample={state.sample} mapping={state.mapping} onChange={remap} />
        </>
      )}
      {state.step === 'columns' && (
        <div className="mt-3 flex gap-2">
          <button className="btn btn-primary btn-sm" disabled={!state.mapping} onClick={read}>
            Read the file
          </button>
          <button className="btn btn-ghost btn-sm" onClick={leave}>
            Leave it
          </button>
        </div>
      )}
      {state.step === 'reading' && (
        <p role="status" className="mt-3 flex items-center gap-3">
          Reading …
          <progress className="progress w-40" value={state.progress} max={1} aria-label="Share read" />
          <button className="btn btn-xs" onClick={stop}>
            Stop
          </button>
        </p>
      )}
      {state.step === 'read' && (
        <ImportReport
          reading={state.reading}
          mapping={state.mapping}
          replaced={replaced}
          onRemap={remap}
          onStore={(withNormals) => void store(withNormals)}
          onLeave={leave}
        />
      )}
    </div>
  )
}
