/** What is reckoned of the work as a whole: what is cemented with what, what is left to seat in, what stands beside. */
import { bridgePlace } from '../../measure/place'
import { mostTintG } from '../../measure/restoring'
import { adhesives } from '../../practice/adhesives'
import { isAnterior } from '../../teeth/arch'
import { parts } from '../../teeth/notation'
import { unitCount, type Case } from '../case'
import { finalCement } from '../cements'
import { goldBitten, goldWork } from '../gold-work'
import { ofUnit, type Fact } from './fact'

const moulds = {
  'bis-acryl in putty index': 'index',
  'bis-acryl in preliminary impression': 'preliminary impression',
  'bis-acryl in wax-up matrix': '{wax-up matrix}',
} as const
const beside = (c: Case): string[] =>
  c.units.flatMap((u) => [u.mesial, u.distal]).flatMap((n) => (n.tooth ? [n.said] : []))

export const workFacts = {
  'canine among them': {
    says: 'a canine is worked on: it guides the side movements',
    from: 'the case',
    of: (c) => c.units.some((u) => parts(u.tooth).position === 3),
  },
  'bridge or crown': {
    says: 'what is delivered',
    from: 'the case',
    of: (c) => (c.pontics.length > 0 ? 'bridge' : 'crown'),
  },
  'long span': {
    says: 'a bridge of four units or more: its framework is tried in',
    from: 'reckoned',
    of: (c) => c.pontics.length > 0 && unitCount(c) >= 4,
  },
  'bonded at delivery': {
    says: 'the piece is bonded with resin, not cemented',
    from: 'the case',
    of: (c) => c.asks('deliveryCement') === 'resin',
  },
  'final cement': { says: 'the cement named at the preparation', from: 'the case', of: (c) => finalCement(c).words },
  'neighbours beside': {
    says: 'the neighbours of the teeth worked on',
    from: 'the tooth',
    of: (c) => beside(c).join(', '),
  },
  'inner side of the jaw': {
    says: 'what the side toward the tongue is called in this jaw',
    from: 'the case',
    of: (c) => (c.jaw === 'upper' ? 'palatal' : 'lingual'),
    values: ['palatal', 'lingual'],
  },
  'outer side of the work': {
    says: 'what the outer side is called: labial where all are front teeth',
    from: 'the case',
    of: (c) => (c.units.every((u) => isAnterior(u.tooth)) ? 'labial' : 'buccal'),
    values: ['labial', 'buccal'],
  },
  bottle: {
    says: 'the bottle of the adhesive that is laid on last',
    from: 'the practice',
    of: (c) => adhesives[c.school('adhesive')].bond,
  },
  mould: { says: 'what the provisional is made in', from: 'the practice', of: (c) => moulds[c.school('provisional')] },
  'gum overgrown': {
    says: 'gum has grown over a margin',
    from: 'the tooth',
    // Every tooth is asked, not only the first that answers.
    of: (c) => c.units.filter((u) => u.says('overgrown')).length > 0,
  },
  'seconds left to seat': {
    says: 'from the call “Seated?” until it has to be',
    from: 'reckoned',
    of: (c) => c.rule('metal bridge.seated').value - c.rule('metal bridge.last').value,
    unit: 's',
  },
  'most tint': { says: 'how much tint is too much', from: 'reckoned', of: () => mostTintG(0.4) },
  'place of the bridge': {
    says: 'how well a bonded bridge does in this gap',
    from: 'reckoned',
    of: (c) => bridgePlace(c.pontics.map((u) => u.tooth)).verdict,
    values: ['best', 'may do', 'poor'],
  },
  'why that place': {
    says: 'why',
    from: 'reckoned',
    of: (c) => bridgePlace(c.pontics.map((u) => u.tooth)).because,
  },
  'band or strip': {
    says: 'what keeps a class III filling of a milk tooth in shape',
    from: 'the practice',
    of: (c) => (c.school('frontBand') === 'sectional band' ? '{band}' : '{strip}'),
    values: ['band', 'strip'],
  },
  'through the contact': {
    says: 'how it goes between the teeth',
    from: 'the practice',
    of: (c) =>
      c.school('frontBand') === 'sectional band'
        ? '{sectional band} through the contact'
        : '{plastic strip}, cut lengthwise in half, through the contact',
  },
  antiseptic: {
    says: 'what wipes a cavity clean: not what the patient cannot have',
    from: 'the patient',
    of: (c) => (c.has('chlorhexidine') ? '{alcohol}' : '{chlorhexidine}'),
  },
  'gold bitten on': {
    says: 'some of the gold meets an opponent',
    from: 'the tooth',
    of: (c) => c.units.some((u) => goldBitten(c, u)),
  },
  'gold bitten on here': {
    says: 'the gold of this tooth meets an opponent',
    from: 'the tooth',
    of: ofUnit((u, c) => goldBitten(c, u)),
  },
  'gold inlays': {
    says: 'a tooth gets an inlay, not foil',
    from: 'the tooth',
    of: (c) => goldWork(c).inlays.length > 0,
  },
  'cords for bonding': {
    says: 'the counts of the cords that keep fluid out',
    from: 'the case',
    of: (c) => c.units.map((u) => `cord.single.${u.tooth}`),
  },
  'finishing cuts': {
    says: 'the last cut of each tooth: what is done over where more has to go',
    from: 'the case',
    of: (c) => c.units.map((u) => `cutting.finish.${u.tooth}`),
  },
  'bis-acryl for a shell': {
    says: 'bis-acryl for a shell over veneers',
    from: 'reckoned',
    of: (c) => 2 + c.units.length * 0.6,
    unit: 'mL',
  },
  'convergence aimed at': {
    says: 'how far the walls lean to each other, tooth by tooth',
    from: 'reckoned',
    of: (c) =>
      c.units.map((u) => ({
        name: `${u.said}, convergence aimed at`,
        value: 6,
        unit: '°',
        text: 'about 6° in all between opposite walls of a metal crown; 10–20° is the published range for all crowns',
        standing: 'C',
      })),
  },
} as const satisfies Record<string, Fact>
