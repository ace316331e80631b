import { useEffect, useRef, useState } from 'react'
import { Link, useLocation, useNavigate } from 'react-router'
import { firstProblem } from '../../core/foundations/outcome'
import { Field } from '../../parts/Field'
import { Form } from '../../parts/Form'
import { Notices } from '../../parts/Notices'
import { late } from '../../state/late'
import { PlainHttp } from './PlainHttp'
import { useGardenImport } from './useGardenImport'

/** What a fetched garden is called where a file would have its name. */
const FETCHED = 'the other device'

/** Where a garden that another device handed over is fetched and taken in. */
export function ReceiveRoom() {
  const { hash } = useLocation()
  const navigate = useNavigate()
  const { open, shown } = useGardenImport()
  const [code, setCode] = useState('')
  const [problem, setProblem] = useState<string | null>(null)

  async function fetchWith(text: string) {
    setProblem(null)
    try {
      const { fetchHanded } = await late(import('../../data/handover/exchange'))
      const found = await fetchHanded(text)
      if (!found.ok) return setProblem(firstProblem(found.problems))
      await open(new File([new Uint8Array(found.value)], FETCHED))
      setCode('')
    } catch (error) {
      setProblem(error instanceof Error ? error.message : 'It could not be fetched. Try again.')
    }
  }

  // What a camera read stands behind the address: it is used once, and not left there.
  const read = useRef('')
  useEffect(() => {
    const scanned = hash.slice(1)
    if (!scanned || read.current === scanned) return
    read.current = scanned
    void navigate('/receive', { replace: true })
    queueMicrotask(() => void fetchWith(scanned))
  })

  return (
    <main className="mx-auto max-w-2xl px-4 py-6">
      <h1>Take over a garden</h1>
      <p className="mt-1">
        On the other device open Garden and press “Hand over to another device”; then point this camera at the
        code there, or type it.{' '}
        <Link className="link" to="/">
          Back
        </Link>
      </p>
      <Form className="mt-4 flex flex-wrap items-start gap-3" onSubmit={() => fetchWith(code)}>
        <Field label="Code" hint="16 letters and digits" error={problem ?? undefined}>
          <input
            className="input w-64 max-w-full font-mono"
            autoComplete="off"
            autoCapitalize="characters"
            spellCheck={false}
            value={code}
            onChange={(event) => setCode(event.target.value)}
          />
        </Field>
        <button className="btn btn-primary mt-6">Fetch it</button>
      </Form>
      {shown}
      <PlainHttp />
      <Notices />
    </main>
  )
}
