import { useEffect, useState } from 'react'
import { useStore } from 'react-redux'
import { useNavigate, useParams } from 'react-router'
import { firstProblem } from '../core/foundations/outcome'
import { storageProblem } from '../data/problems'
import type { RootState, Store } from '../state/store'
import { openDemo } from './openDemo'

export function DemoRoute() {
  const { name = '' } = useParams()
  const store = useStore<RootState>() as Store
  const navigate = useNavigate()
  const [message, setMessage] = useState<string | null>(null)
  useEffect(() => {
    openDemo(name, store).then(
      (outcome) =>
        outcome.ok ? navigate('/', { replace: true }) : setMessage(firstProblem(outcome.problems)),
      (error: unknown) => setMessage(firstProblem([storageProblem(error)])),
    )
  }, [name, store, navigate])
  return <p className="p-8">{message ?? 'Opening the demo garden …'}</p>
}
