import { reason } from '../figure'
import { alertWords } from '../plan/vocabulary'
import { open, step, type Block } from './build'
import { labels, type Case } from './case'

/** Seat, confirm the patient and the tooth aloud in both notations, read the alerts. */
export function arrival(c: Case): Block {
  const alerts = c.request.alerts.map((a) => alertWords[a])
  return step({
    id: 'arrival.seat',
    phase: 'arrival',
    title: `Seat and confirm aloud: patient and tooth ${labels(c)}`,
    detail: alerts.length > 0 ? `Read the alerts aloud: ${alerts.join('; ')}. Any change of health? Consent as the practice does it.` : 'Any change of health? Consent as the practice does it.',
    told: 'seated the patient and confirmed name and tooth aloud',
    fn: 'chairside',
    place: 'chair',
    minutes: [2, 3, 6],
    needs: [
      open('bib'), open('patient shield'), open('gloves', 2), open('mask', 2), open('mirror'), open('explorer'), open('periodontal probe'), open('tweezers'),
      open('suction tip'), open('saliva ejector'), open('air-water tip'), open('gauze', 10),
    ],
    cautions: [reason('Eye shield on the patient before anything passes over the face', 'C')],
    mistakes: ['the tooth read from the screen only, not agreed aloud with patient and dentist'],
  })
}
