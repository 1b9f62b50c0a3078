/** The frame of every screen: where one is, who one is, whether the server is heard. */
import { BookOpen, GraduationCap, History, Moon, Package, Settings2, Sun, UserRound } from 'lucide-react'
import { useState } from 'react'
import { Link, NavLink, Outlet, useLocation, useMatch, useNavigation } from 'react-router'
import { Button, Loading, Mark, ButtonLink } from '../parts/ui'
import { ChangeCode } from './change-code'
import type { Person } from '../../wire/people'
import { kept } from './kept'
import { useLink } from './live'
import { PersonContext } from './person'
import { NeededStrip } from './waiting-elsewhere'
import { usePractice, useSession, useVisit } from './queries'
import { bothNotations } from '../parts/words'
import { SignIn } from './sign-in'
import { useSignOut } from './sign-out'
import { AskBeforeLeaving } from '../parts/unkept'

function Theme() {
  const [dim, setDim] = useState(document.documentElement.dataset['theme'] === 'dim')
  return (
    <Button
      tone="quiet"
      aria-label={dim ? 'Light theme' : 'Dim theme'}
      onClick={() => {
        const theme = dim ? 'light' : 'dim'
        document.documentElement.dataset['theme'] = theme
        kept.set('jade.theme', theme)
        setDim(!dim)
      }}
    >
      {dim ? <Sun aria-hidden="true" /> : <Moon aria-hidden="true" />}
    </Button>
  )
}

function LinkMark() {
  const link = useLink()
  const opening = useNavigation().state !== 'idle'
  return (
    // Over the page and not in its way: what says that something is away must not move a button under a hand.
    <span role="status" aria-live="polite" className="pointer-events-none fixed bottom-2 left-2 z-40 text-lg">
      {link.state === 'away' && <Mark kind="stop">database not heard, trying again</Mark>}
      {link.state === 'lost' && <Mark kind="stop">server not heard, trying again</Mark>}
      {link.state === 'live' && link.restarted && <Mark kind="good">server is back, nothing lost</Mark>}
      {/* The screen before stays until the next has come; only where that takes long is it said. */}
      <span className={`rounded bg-sheet px-2 transition-opacity ${opening ? 'opacity-100 delay-200' : 'opacity-0'}`}>
        {opening && 'Opening …'}
      </span>
    </span>
  )
}

const stops = [
  ['case', 'Case'],
  ['tray', 'Tray'],
  ['chairside', 'Chairside'],
  ['close', 'Close'],
] as const

function VisitPath({ visitId }: { visitId: string }) {
  const { data } = useVisit(visitId)
  const notation = usePractice().data?.notation ?? 'iso'
  const done = data ? { planned: 0, 'laid up': 2, running: 2, closed: 4 }[data.stage] : 0
  return (
    <>
      <span className="truncate text-lg">
        {data && (
          <>
            <strong>{data.patient.name}</strong>{' '}
            <span className="num">{bothNotations(data.request.teeth, data.frozen?.plan.notation ?? notation)}</span>
          </>
        )}
      </span>
      {data && data.matters.length > 0 && (
        <strong
          role="status"
          data-matters=""
          className="rounded-md border-2 border-alarm bg-alarm-wash px-3 py-1 text-alarm"
        >
          ■ {data.matters.join('; ')}: the dentist answers
        </strong>
      )}
      {data?.throatPackIn && (
        <strong
          role="status"
          data-throat-pack=""
          className="rounded-md border-4 border-alarm bg-alarm-wash px-3 py-1 text-xl text-alarm"
        >
          ■ THROAT PACK IN
        </strong>
      )}
      <nav aria-label="The visit" className="flex items-center">
        {stops.map(([to, label], i) => (
          <span key={to} className="flex items-center">
            {i > 0 && <span aria-hidden="true" className={`h-0.5 w-4 ${i <= done ? 'bg-jade' : 'bg-line'}`} />}
            <NavLink
              to={`/visits/${visitId}/${to}`}
              className={({ isActive }) =>
                `flex min-h-12 items-center gap-2 rounded-full border-2 px-4 font-semibold ${isActive ? 'border-jade bg-jade text-jade-ink' : i < done ? 'border-jade' : 'border-line text-soft'}`
              }
            >
              {i < done && <span aria-label="done">✓</span>}
              {label}
            </NavLink>
          </span>
        ))}
      </nav>
    </>
  )
}

function Leave({ person }: { person: Person }) {
  const leave = useSignOut(person.id)
  return (
    <Button tone="quiet" title="Sign out" onClick={() => void leave()}>
      <UserRound aria-hidden="true" /> {person.name}
      <span className="sr-only">, sign out</span>
    </Button>
  )
}

export function Shell() {
  const session = useSession()
  const visitId = useMatch('/visits/:visitId/*')?.params.visitId
  const { pathname } = useLocation()
  if (session.isPending) return <Loading what="Opening" />
  if (!session.data) return <SignIn />
  const person = session.data
  if (person.changeCode !== undefined)
    return (
      <PersonContext.Provider value={person}>
        <ChangeCode why={person.changeCode} />
      </PersonContext.Provider>
    )
  return (
    <PersonContext.Provider value={person}>
      <div className="flex min-h-full flex-col">
        <header className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b-2 border-line bg-sheet px-4 py-1.5">
          <Link
            to="/"
            className="flex min-h-12 items-center gap-2 text-xl font-extrabold text-jade"
            aria-label="Jade Tray, the day"
          >
            <svg width="30" height="30" viewBox="0 0 32 32" aria-hidden="true">
              <path d="M3 9h26l-3 15H6z" fill="currentColor" />
              <path d="M9 5v13M16 3v15M23 6v12" className="stroke-sheet" strokeWidth="2.4" strokeLinecap="round" />
            </svg>
            {visitId ? 'Day' : 'Jade Tray'}
          </Link>
          {visitId && <VisitPath visitId={visitId} />}
          <span className="ml-auto flex items-center gap-2">
            <LinkMark />
            <Theme />
            {!visitId && (
              <ButtonLink to="/library" tone="quiet">
                <BookOpen aria-hidden="true" /> Library
              </ButtonLink>
            )}
            {!visitId && (
              <ButtonLink to="/cupboard" tone="quiet">
                <Package aria-hidden="true" /> Cupboard
              </ButtonLink>
            )}
            {!visitId && (
              <ButtonLink to="/drill" tone="quiet">
                <GraduationCap aria-hidden="true" /> Drill
              </ButtonLink>
            )}
            {!visitId && (
              <ButtonLink to="/lookback" tone="quiet">
                <History aria-hidden="true" /> Look back
              </ButtonLink>
            )}
            {!visitId && (
              <ButtonLink to="/settings" aria-label="Settings" tone="quiet" className="px-0">
                <Settings2 aria-hidden="true" />
              </ButtonLink>
            )}
            <Leave person={person} />
          </span>
        </header>
        <NeededStrip here={visitId} />
        <main data-at={pathname} className="flex-1 p-3">
          {/* Another person's screens open their own streams; another visit's begin with no box open. */}
          <AskBeforeLeaving />
          <Outlet key={`${person.id} ${visitId ?? ''}`} />
        </main>
      </div>
    </PersonContext.Provider>
  )
}
