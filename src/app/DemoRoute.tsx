import { useEffect, useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import { firstProblem } from '../core/foundations/outcome'
import { storageProblem } from '../data/problems'
import { useAppDispatch } from '../state/store'
import { openDemo } from './openDemo'

export function DemoRoute() {
  const { name = '' } = useParams()
  const dispatch = useAppDispatch()
  const navigate = useNavigate()
  const [message, setMessage] = useState<string | null>(null)
  useEffect(() => {
    openDemo(name, dispatch).then(
      (outcome) =>
        outcome.ok ? navigate('/', { replace: true }) : setMessage(firstProblem(outcome.problems)),
      (error: unknown) => setMessage(firstProblem([storageProblem(error)])),
    )
  }, [name, dispatch, navigate])
  return <p className="p-8">{message ?? 'Opening the demo garden …'}</p>
}
