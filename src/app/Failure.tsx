import { BASE } from '../data/api'
import { Link, useRouteError } from 'react-router'

export function NotFound() {
  return (
    <section className="p-8">
      <h1>Nothing is here</h1>
      <p className="mt-2">
        This address leads nowhere.{' '}
        <Link className="link" to="/">
          Back to the loom
        </Link>
      </p>
    </section>
  )
}

/** A room that broke: what happened, and that the records are safe. */
export function RouteFailure() {
  const error = useRouteError()
  return (
    <main className="mx-auto max-w-xl p-8">
      <h1>This room stopped working</h1>
      <p className="mt-2" role="alert">
        {error instanceof Error ? error.message : 'Something unexpected happened.'} What you recorded is
        stored and safe.
      </p>
      <a className="btn btn-primary mt-4" href={BASE}>
        Back to the loom
      </a>
    </main>
  )
}
