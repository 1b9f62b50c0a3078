/** The cupboard's shelves: what is where, and the way back to the day. */
import type { ReactNode } from 'react'
import { Link, NavLink } from 'react-router'

const shelves = [
  ['/cupboard', 'Materials'],
  ['/cupboard/instruments', 'Cassettes and loads'],
  ['/cupboard/order', 'What runs out'],
] as const

export function CupboardHead({ children }: { children?: ReactNode }) {
  return (
    <div className="flex flex-wrap items-center gap-3">
      <h1 className="text-2xl font-bold">Cupboard</h1>
      <nav aria-label="Shelves" className="flex gap-1">
        {shelves.map(([to, label]) => (
          <NavLink
            key={to}
            to={to}
            end
            className={({ isActive }) =>
              `flex min-h-12 items-center border-b-4 px-3 text-lg ${isActive ? 'border-jade font-bold' : 'border-transparent'}`
            }
          >
            {label}
          </NavLink>
        ))}
      </nav>
      {children}
      <Link to="/" className="ml-auto flex min-h-12 items-center text-lg text-jade underline">
        Back to the day
      </Link>
    </div>
  )
}
