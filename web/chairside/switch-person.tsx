/** One device at the chair, two people: one touch on the name and the code, and it is the other's. The run stays where it is. */
import { messageOf, sure } from '../../core/sure'
import { useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { api } from '../app/api'
import type { Person } from '../../wire/people'
import { CodePad } from '../parts/code-pad'
import { Modal } from '../parts/modal'
import { Button, Alert } from '../parts/ui'

export function SwitchPerson({ people, now }: { people: { id: string; name: string }[]; now: string }) {
  const client = useQueryClient()
  const [to, setTo] = useState<{ id: string; name: string }>()
  const [code, setCode] = useState('')
  const [wrong, setWrong] = useState<string | null>(null)
  const others = people.filter((p) => p.id !== now)
  const enter = async (): Promise<void> => {
    try {
      client.setQueryData(
        ['session'],
        await api<Person>('/session', { method: 'POST', body: { personId: sure(to).id, code } }),
      )
      void client.invalidateQueries({ queryKey: ['needed'] })
    } catch (error) {
      setWrong(messageOf(error))
      setCode('')
    }
  }
  return (
    <div className="flex flex-wrap items-center gap-2" role="group" aria-label="Whose hands">
      <span className="text-soft">This device to</span>
      {others.map((p) => (
        <Button
          key={p.id}
          className="min-h-16"
          data-switch={p.id}
          onClick={() => {
            setTo(p)
            setCode('')
            setWrong(null)
          }}
        >
          {p.name}
        </Button>
      ))}
      {to && (
        <Modal open onClose={() => setTo(undefined)} title={`${to.name}, your code`}>
          <CodePad label={`Code of ${to.name}`} value={code} onChange={setCode} onEnter={enter} />
          {wrong && <Alert className="mt-3">{wrong}</Alert>}
        </Modal>
      )}
    </div>
  )
}
