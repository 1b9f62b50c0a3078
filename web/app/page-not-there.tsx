import { Link, useRouteError } from 'react-router'

/** A page that is not there, or a screen that broke; what was recorded is on the server either way. */
export function Lost() {
  const error = useRouteError()
  return (
    <main role="alert" className="m-8 max-w-2xl space-y-3">
      <h1 className="text-3xl font-bold">{error ? 'This screen broke' : 'There is no such page'}</h1>
      {error instanceof Error && <p className="num">{error.message}</p>}
      <p>What was recorded is safe on the server.</p>
      <p>
        <Link to="/" reloadDocument className="font-bold text-jade underline">
          Back to the day
        </Link>
      </p>
    </main>
  )
}
