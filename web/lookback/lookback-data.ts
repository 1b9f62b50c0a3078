import type { Calibration, LookBack } from '../../core/record/look-back'

export interface LookBackVisit extends LookBack {
  id: string
  day: string
  patient: string
  forecast?: { likelyS: number; eightInTenS: number }
}
export interface LearnedRow {
  key: string
  kind: LookBack['kind']
  stepKind: string
  personId: string
  startS: number
  meanS: number
  n: number
}
export interface LookBackView {
  visits: LookBackVisit[]
  calibration: Calibration
  learned: LearnedRow[]
  useLearned: boolean
  people: { id: string; name: string }[]
  zone: string
}
