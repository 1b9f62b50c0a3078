/** The charts of looking back. Shapes and words beside the colours; a table of the same figures lies under each. */
import { sure } from '../../core/sure'
import {
  BarElement,
  CategoryScale,
  Chart as ChartJs,
  LinearScale,
  LineElement,
  PointElement,
  Tooltip,
  type ChartOptions,
} from 'chart.js'
import { useSyncExternalStore } from 'react'
import { Bar, Scatter } from 'react-chartjs-2'
import type { LookBackVisit } from '../../wire/lookback'

ChartJs.register(BarElement, CategoryScale, LinearScale, LineElement, PointElement, Tooltip)

/** The theme's own colours, read again when it changes. */
function useInk(): {
  ink: string
  soft: string
  line: string
  jade: string
  brass: string
  dentist: string
  font: string
} {
  const theme = useSyncExternalStore(
    (told) => {
      const watch = new MutationObserver(told)
      watch.observe(document.documentElement, { attributes: true, attributeFilter: ['data-theme'] })
      return () => watch.disconnect()
    },
    () => document.documentElement.dataset['theme'] ?? 'light',
  )
  const style = getComputedStyle(document.documentElement)
  const of = (name: string): string =>
    style.getPropertyValue(`--color-${name}`).trim() || (theme === 'dim' ? '#eee' : '#222')
  return {
    ink: of('ink'),
    soft: of('soft'),
    line: of('line'),
    jade: of('jade'),
    brass: of('brass'),
    dentist: of('dentist'),
    font: getComputedStyle(document.body).fontFamily,
  }
}

const shapes = ['circle', 'rect', 'triangle', 'rectRot', 'star', 'crossRot'] as const
const min = (s: number): number => Math.round(s / 6) / 10

const labelOf = (point: unknown): string =>
  typeof point === 'object' && point !== null && 'label' in point ? String(point.label) : ''

function useOptions(x: string, y: string): ChartOptions<'scatter'> {
  const { ink, soft, line, font } = useInk()
  const text = { family: font, size: 16 }
  const scale = (title: string) => ({
    title: { display: true, text: title, color: ink, font: text },
    ticks: { color: soft, font: text },
    grid: { color: line },
  })
  return {
    animation: false,
    responsive: true,
    maintainAspectRatio: false,
    plugins: {
      tooltip: {
        titleFont: text,
        bodyFont: text,
        callbacks: { label: (c) => labelOf(c.raw) },
      },
    },
    scales: { x: scale(x), y: scale(y) },
  }
}

/** Minutes in the chair as planned and as they came; on the line both are the same. */
export function PlannedReal({ visits, nameOf }: { visits: readonly LookBackVisit[]; nameOf: (id: string) => string }) {
  const { jade, soft, dentist, brass } = useInk()
  const options = useOptions('planned, min', 'real, min')
  const dentists = [...new Set(visits.map((v) => v.dentistId))]
  const tones = [jade, dentist, brass, soft]
  const most = Math.max(10, ...visits.flatMap((v) => [min(v.plannedChairS), min(v.chairS)])) * 1.05
  const data = {
    datasets: [
      ...dentists.map((id, i) => ({
        label: nameOf(id),
        data: visits
          .filter((v) => v.dentistId === id)
          .map((v) => ({
            x: min(v.plannedChairS),
            y: min(v.chairS),
            label: `${v.day} ${v.patient}: planned ${Math.round(min(v.plannedChairS))}, took ${Math.round(min(v.chairS))} min`,
          })),
        pointStyle: sure(shapes[i % shapes.length]),
        pointRadius: 7,
        backgroundColor: sure(tones[i % tones.length]),
        borderColor: sure(tones[i % tones.length]),
      })),
      {
        label: 'as planned',
        data: [
          { x: 0, y: 0 },
          { x: most, y: most },
        ],
        showLine: true,
        pointRadius: 0,
        borderColor: soft,
        borderDash: [6, 6],
        backgroundColor: soft,
      },
    ],
  }
  return (
    <>
      <ul className="flex flex-wrap gap-x-4 text-base" aria-label="Shapes">
        {dentists.map((id, i) => (
          <li key={id}>
            <span aria-hidden="true" style={{ color: tones[i % tones.length] }}>
              {['●', '■', '▲', '◆', '✱', '✕'][i % 6]}
            </span>{' '}
            {nameOf(id)}
          </li>
        ))}
      </ul>
      <div className="h-64">
        <Scatter
          data={data}
          options={options}
          aria-label="Planned against real minutes in the chair; the table below has the same figures"
          role="img"
        />
      </div>
    </>
  )
}

/** Minutes by which each visit ended before or after its 8-in-10 time, in the order they came. */
export function AgainstForecast({ visits }: { visits: readonly LookBackVisit[] }) {
  const { jade, brass, soft } = useInk()
  const options = useOptions('visits, oldest first', 'past 8 in 10, min')
  const own = visits
    .filter((v) => v.forecast)
    .toReversed()
    .map((v, i) => ({
      x: i + 1,
      y: min(v.chairS - sure(v.forecast).eightInTenS),
      label: `${v.day} ${v.patient}: ${Math.round(min(v.chairS))} min, forecast within ${Math.round(min(sure(v.forecast).eightInTenS))}`,
    }))
  const data = {
    datasets: [
      {
        label: 'within',
        data: own.filter((p) => p.y <= 0),
        pointStyle: 'circle' as const,
        pointRadius: 7,
        backgroundColor: jade,
        borderColor: jade,
      },
      {
        label: 'over',
        data: own.filter((p) => p.y > 0),
        pointStyle: 'triangle' as const,
        pointRadius: 9,
        backgroundColor: brass,
        borderColor: brass,
      },
      {
        label: 'forecast',
        data: [
          { x: 0, y: 0 },
          { x: own.length + 1, y: 0 },
        ],
        showLine: true,
        pointRadius: 0,
        borderColor: soft,
        borderDash: [6, 6],
        backgroundColor: soft,
      },
    ],
  }
  return (
    <div className="h-52">
      <Scatter
        data={data}
        options={options}
        aria-label="How far each visit ended from its 8-in-10 time; the table below has the same figures"
        role="img"
      />
    </div>
  )
}

/** How often each step was done over. */
export function Retakes({ counts }: { counts: readonly { title: string; n: number }[] }) {
  const { brass, ink, soft, line, font } = useInk()
  const text = { family: font, size: 16 }
  const short = (title: string): string => (title.length > 34 ? `${title.slice(0, 33)}…` : title)
  const options: ChartOptions<'bar'> = {
    animation: false,
    responsive: true,
    maintainAspectRatio: false,
    indexAxis: 'y',
    plugins: { tooltip: { titleFont: text, bodyFont: text } },
    scales: {
      x: { beginAtZero: true, ticks: { precision: 0, color: soft, font: text }, grid: { color: line } },
      y: { ticks: { color: ink, font: text }, grid: { display: false } },
    },
  }
  return (
    <div style={{ height: 60 + counts.length * 34 }}>
      <Bar
        data={{
          labels: counts.map((c) => short(c.title)),
          datasets: [{ label: 'done over', data: counts.map((c) => c.n), backgroundColor: brass, barThickness: 18 }],
        }}
        options={options}
        aria-label="How often each step was done over; the list below has the same figures"
        role="img"
      />
    </div>
  )
}
