import { firstOf, sure } from '../sure'
import { reason } from '../figure'
import { alertWords } from '../vocabulary'
import { only, open, sequence, step, type Block } from '../library/build'
import { labels, type Case } from '../library/case'
import { goldWork } from './gold-work'
import { askedOfLab } from './handed-on'

/** What came from the laboratory, as it is called: a bridge or a crown, one inlay or several. */
export function pieceWords(c: Case, n = c.units.length): string {
  const delivers = sure(c.kind.delivers)
  if (delivers === 'crown or bridge') return c.pontics.length > 0 ? 'bridge' : n > 1 ? 'crowns' : 'crown'
  const one = delivers.replace(/s\b/g, '')
  return n > 1 && !/bridge|framework/.test(one) ? one.replace(/\b(inlay|onlay|laminate)\b/g, '$1s') : one
}

/** The laboratory's piece is looked at before the patient sits: a delivery without it is stopped here. */
function piece(c: Case, mark: string): Block {
  const own = c.request.kind === 'gold.deliver' ? goldWork(c).inlays : c.units
  const what = pieceWords(c, own.length)
  return step({
    id: `arrival.piece${mark}`,
    phase: 'arrival',
    title: `${what.endsWith('s') ? 'Are' : 'Is'} the ${what} for ${own.map((u) => u.label).join(', ')} here? Checked against the slip and on the model`,
    told: `checked that the ${what} ${what.endsWith('s') ? 'were' : 'was'} on hand, against the slip`,
    detail: c.request.pieceOnHand
      ? ['Name, teeth, shade, contacts on the model; last visit’s notes read.', ...askedOfLab(c)].join(' ')
      : 'It is not here: call the laboratory, move the visit.',
    fn: 'chairside',
    place: 'desk',
    minutes: [0.5, 1, 2],
    needs: [open('laboratory piece', 1, { words: what })],
    mistakes: ['the box opened at the chair for the first time: the wrong shade, with the patient numb'],
  })
}

/** Seat, confirm the patient and the tooth aloud in both notations, read the alerts. */
export function arrival(works: readonly Case[]): Block {
  const c = firstOf(works)
  const alerts = c.request.alerts.map((a) => alertWords[a])
  const child = works.some((w) => w.kind.dentition === 'primary')
  const weigh = child
    ? c.request.weightKg === undefined
      ? ' Weigh the child and write it down.'
      : ` Weight ${c.request.weightKg} kg.`
    : ''
  return sequence(
    ...works.map((w, i) => only(w.kind.delivers !== undefined, () => piece(w, i === 0 ? '' : `@${w.request.kind}`))),
    step({
      id: 'arrival.seat',
      phase: 'arrival',
      title: `Seat and confirm aloud: patient and ${works.flatMap((w) => w.units).length > 1 ? 'teeth' : 'tooth'} ${works.map(labels).join(', ')}`,
      detail: `${alerts.length > 0 ? `Read the alerts aloud: ${alerts.join('; ')}. ` : ''}Any change of health? Consent as the practice does it.${weigh}`,
      told: 'seated the patient and confirmed name and tooth aloud',
      fn: 'chairside',
      place: 'chair',
      minutes: [2, 3, 6],
      needs: [
        open('bib'),
        open('patient shield'),
        open('gloves', 2),
        open('mask', 2),
        open('mirror'),
        open('explorer'),
        open('periodontal probe'),
        open('tweezers'),
        open('suction tip'),
        open('saliva ejector'),
        open('air-water tip'),
        open('gauze', 10),
      ],
      cautions: [reason('Eye shield on the patient before anything passes over the face', 'C')],
      mistakes: ['the tooth read from the screen only, not agreed aloud with patient and dentist'],
    }),
  )
}
