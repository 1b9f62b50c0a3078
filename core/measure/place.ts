/** Whether a place suits: a bonded bridge by its gap, a sealed-in crown by its lesion. The dentist decides; this says what is known. */
import { reason, type Reason } from '../figure'
import { jawOf, parts, type Tooth } from '../teeth/notation'

export interface Verdict {
  verdict: 'best' | 'may do' | 'poor'
  because: Reason
}

const order = ['best', 'may do', 'poor'] as const

/** One gap. Standing C. */
function gap(t: Tooth): Verdict {
  const { position } = parts(t)
  if (position >= 4)
    return { verdict: 'poor', because: reason('behind the canine the chewing load tears a bonded bridge off', 'C') }
  if (jawOf(t) === 'lower')
    return position <= 2
      ? { verdict: 'best', because: reason('a lower incisor gap is the best place: little load, enamel behind', 'C') }
      : {
          verdict: 'may do',
          because: reason('a canine guides the side movements: the bridge has to be clear of them', 'C'),
        }
  return {
    verdict: 'may do',
    because: reason('in front above only where the lower teeth do not slide over the retainers', 'C'),
  }
}

/**
 * The place of a bonded ceramic bridge, by the teeth it replaces: the least good of them counts.
 * @example bridgePlace([toTooth('41')]).verdict // 'best'
 */
export function bridgePlace(pontics: readonly Tooth[]): Verdict {
  const all = pontics.map(gap).toSorted((a, b) => order.indexOf(b.verdict) - order.indexOf(a.verdict))
  return all[0] ?? { verdict: 'poor', because: reason('no gap is named', 'C') }
}

/** Of a table of indications for preformed crowns sealed in without cutting. */
export const sealedInSource = 'Innes NPT, Evans DJP, Stirrups DR, BMC Oral Health 2007;7:18, table of indications'
/** What has to hold wherever a crown is sealed in. M, after the same. */
export const sealedInAlways = [
  'no signs or symptoms of the pulp',
  'a clear band of dentine on the film',
  'no risk from infection',
  'the airway guarded: a child upright enough to cough',
] as const

/**
 * Whether a primary molar is one for a sealed-in crown. M, after the table named: between the teeth, with or without a
 * cavity; in a pit where the child cannot take the simpler way.
 * @param manages whether the child can take a sealant (no cavity) or partial removal and a filling (cavity)
 */
export function sealedInFits(
  site: 'pit' | 'between',
  cavitated: boolean,
  manages: boolean,
): { fits: boolean; because: Reason } {
  const said = (text: string): Reason => reason(text, 'M', sealedInSource)
  if (site === 'between') return { fits: true, because: said('between the teeth, with or without a cavity') }
  if (!manages)
    return {
      fits: true,
      because: said(
        cavitated
          ? 'a pit with a cavity, and the child cannot take partial removal or a filling'
          : 'a pit without a cavity, and the child cannot take a sealant',
      ),
    }
  return {
    fits: false,
    because: said(cavitated ? 'a pit with a cavity is filled' : 'a pit without a cavity is sealed'),
  }
}
