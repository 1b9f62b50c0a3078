/** Signed in with a code that is not taken any more: another is chosen first, here. */
import { lazy, Suspense } from 'react'
import { Alert, Button, Loading } from '../parts/ui'
import { usePerson } from './person'
import { useSignOut } from './sign-out'

const OwnCode = lazy(() => import('../settings/own-code'))

export function ChangeCode({ why }: { why: string }) {
  const signOut = useSignOut(usePerson().id)
  return (
    <main className="mx-auto grid min-h-full max-w-xl content-center gap-4 p-6">
      <h1 className="text-4xl font-extrabold text-jade">Jade Tray</h1>
      <Alert>{why}</Alert>
      <Suspense fallback={<Loading what="Opening" />}>
        <OwnCode />
      </Suspense>
      <Button tone="quiet" onClick={() => void signOut()}>
        Sign out, and change it another time
      </Button>
    </main>
  )
}
