import { open, reason } from '../needs'
import type { Template } from '../template'

export const arrivalSteps = {
  'arrival.piece$mark': {
    phase: 'arrival',
    title: {
      if: '$several',
      use: 'Are the $what for $own here? Checked against the slip and on the model',
      else: 'Is the $what for $own here? Checked against the slip and on the model',
    },
    told: {
      if: '$several',
      use: 'checked that the $what were on hand, against the slip',
      else: 'checked that the $what was on hand, against the slip',
    },
    detail: { if: 'piece on hand', use: '$handedOn', else: 'It is not here: call the laboratory, move the visit.' },
    fn: 'chairside',
    place: 'desk',
    minutes: [0.5, 1, 2],
    needs: [open('laboratory piece', 1, { words: '$what' })],
    mistakes: ['the box opened at the chair for the first time: the wrong shade, with the patient numb'],
  },
  'arrival.seat': {
    phase: 'arrival',
    title: {
      if: '$severalTeeth',
      use: 'Seat and confirm aloud: patient and teeth $all',
      else: 'Seat and confirm aloud: patient and tooth $all',
    },
    detail: {
      if: '$alerts',
      use: 'Read the alerts aloud: $alertWords. Any change of health? Consent as the practice does it.$weigh',
      else: 'Any change of health? Consent as the practice does it.$weigh',
    },
    told: 'seated the patient and confirmed name and tooth aloud',
    fn: 'chairside',
    place: 'chair',
    minutes: [2, 3, 6],
    needs: [
      open('bib'),
      open('patient shield'),
      open('gloves', 2),
      open('mask', 2, { piece: 'masks' }),
      open('mirror'),
      open('explorer'),
      open('periodontal probe'),
      open('tweezers'),
      open('suction tip'),
      open('saliva ejector'),
      open('air-water tip'),
      open('gauze', 10),
    ],
    cautions: [reason('{Eye shield} on the patient before anything passes over the face', 'C')],
    mistakes: ['the tooth read from the screen only, not agreed aloud with patient and dentist'],
  },
} as const satisfies Record<string, Template>
