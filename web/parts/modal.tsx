import { X } from 'lucide-react'
import { Dialog as RadixDialog } from 'radix-ui'
import type { ReactNode } from 'react'
import { useBeat } from './press'
import { Button } from './ui'
import { useWayOut } from './unkept'

/** A box over everything: nothing of the page lies on it, and what is in it is no wider than it is. */
export function Modal({
  open,
  onClose,
  title,
  children,
  wide = false,
  foot,
  unasked = false,
}: {
  open: boolean
  onClose: () => void
  title: string
  children: ReactNode
  wide?: boolean | 'very'
  /** What keeps it, under everything that is asked: in sight however long that is, and over none of it. */
  foot?: ReactNode
  /** It comes by itself: what was on its way to the screen under it is not an answer. */
  unasked?: boolean
}) {
  const { leave, question, within } = useWayOut(onClose)
  const beat = useBeat(unasked)
  return (
    <RadixDialog.Root open={open} onOpenChange={(now) => !now && leave()}>
      <RadixDialog.Portal>
        <RadixDialog.Overlay className="fixed inset-0 z-40 bg-black/50" />
        <RadixDialog.Content
          aria-describedby={undefined}
          {...beat}
          className={`fixed top-1/2 left-1/2 z-50 flex max-h-[94vh] w-[94vw] -translate-x-1/2 -translate-y-1/2 flex-col overflow-hidden rounded-xl border-2 border-ink bg-paper py-5 ${wide === 'very' ? 'max-w-5xl' : wide ? 'max-w-3xl' : 'max-w-xl'}`}
        >
          <RadixDialog.Title className="mb-3 min-h-12 flex-none pr-20 pl-5 text-2xl font-bold">
            {title}
          </RadixDialog.Title>
          {question && <div className="flex-none px-5 pb-3">{question}</div>}
          <div className="grid min-h-0 grid-cols-[minmax(0,1fr)] overflow-auto px-5 pt-1.5 pb-1.5 [&_select]:max-w-full">
            {within(children)}
          </div>
          {foot && <div className="flex-none px-5 pt-3">{foot}</div>}
          {/* Last, so that the box opens on what it asks, not on the way out of it. */}
          <RadixDialog.Close asChild>
            <Button tone="quiet" aria-label="Close this box" className="absolute top-4 right-4">
              <X aria-hidden="true" />
            </Button>
          </RadixDialog.Close>
        </RadixDialog.Content>
      </RadixDialog.Portal>
    </RadixDialog.Root>
  )
}
