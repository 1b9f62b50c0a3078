import { messageOf } from '../../core/sure'
import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { CodePad } from '../parts/code-pad'
import { Button, Failed, Loading, Alert } from '../parts/ui'
import { api } from './api'
import type { Person } from '../../wire/people'
import { usePeople } from './queries'

/** Who are you, and your code. */
export function SignIn() {
  const people = usePeople()
  const client = useQueryClient()
  const [who, setWho] = useState<Person | null>(null)
  const [code, setCode] = useState('')
  const [wrong, setWrong] = useState<string | null>(null)
  if (people.isPending) return <Loading what="Looking who works here" />
  if (people.isError) return <Failed error={people.error} again={() => void people.refetch()} />
  const enter = async (): Promise<void> => {
    if (!who) return
    try {
      client.setQueryData(
        ['session'],
        await api<Person>('/session', { method: 'POST', body: { personId: who.id, code } }),
      )
    } catch (error) {
      setWrong(messageOf(error))
      setCode('')
    }
  }
  return (
    <main className="mx-auto grid min-h-full max-w-4xl content-center gap-8 p-6 md:grid-cols-2" data-sign-in="">
      <div>
        <h1 className="mb-1 text-4xl font-extrabold text-jade">Jade Tray</h1>
        <p className="mb-4 text-soft">
          Setups and steps for preparation visits. It advises; the treating dentist decides, and licensed practice and
          local rules come first.
        </p>
        <div role="group" aria-label="Who are you?" className="grid gap-2">
          {people.data.map((p) => (
            <Button
              key={p.id}
              tone={who?.id === p.id ? 'jade' : 'plain'}
              aria-pressed={who?.id === p.id}
              className="!justify-between"
              onClick={() => {
                setWho(p)
                setCode('')
                setWrong(null)
              }}
            >
              <span>{p.name}</span>
              <span className="text-base font-normal">
                {p.roles.join(', ')}
                {p.shownCode && <span className="num"> · {p.shownCode}</span>}
              </span>
            </Button>
          ))}
        </div>
      </div>
      <div className="self-center">
        {who ? (
          <>
            <p className="mb-2 text-xl font-bold">{who.name}, your code</p>
            <CodePad label={`Code of ${who.name}`} value={code} onChange={setCode} onEnter={enter} />
            {wrong && <Alert className="mt-3">{wrong}</Alert>}
          </>
        ) : (
          <p className="text-xl text-soft">Pick your name.</p>
        )}
      </div>
    </main>
  )
}
