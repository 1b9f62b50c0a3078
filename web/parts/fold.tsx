/** What is read when it is wanted: a line that opens. */
import { ChevronRight } from 'lucide-react'
import type { ComponentProps, ReactNode } from 'react'

export function Fold({
  title,
  children,
  className = '',
  ...rest
}: { title: ReactNode } & Omit<ComponentProps<'details'>, 'title'>) {
  return (
    <details className={`group/fold ${className}`} {...rest}>
      <summary className="flex min-h-12 cursor-pointer list-none items-center gap-2 font-semibold">
        <ChevronRight size={20} aria-hidden className="shrink-0 group-open/fold:rotate-90" />
        <span>{title}</span>
      </summary>
      {children}
    </details>
  )
}
