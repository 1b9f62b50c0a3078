/** Root-canal work: access, length, shape, clean, fill. The sheet is on; hypochlorite never without it. */
import { filesFor, pointsFor, usualLast } from '../measure/canals'
import { inWords } from '../rules'
import { reason, type Figure } from '../figure'
import { jawOf, parts, type Tooth } from '../teeth/notation'
import { acts, lasting, open, practice, sequence, standby, type Block } from '../library/build'
import type { Case, Unit } from '../library/case'
import { cutSteps } from './cutting'

export interface Canal {
  name: string
  lengthMm?: number
}

/** The canals one looks for first, where none is recorded. Standing C; a fourth in an upper first molar is looked for. */
export function usualCanals(t: Tooth): Canal[] {
  const { position } = parts(t)
  const names =
    position <= 3
      ? ['single']
      : position === 4 && jawOf(t) === 'upper'
        ? ['B', 'P']
        : position <= 5
          ? ['single']
          : jawOf(t) === 'upper'
            ? ['MB', 'DB', 'P']
            : ['MB', 'ML', 'D']
  return names.map((name) => ({ name }))
}
/** What a canal is called in a sentence's beginning: the only one has no name. */
const called = ({ name }: Canal): string => (name === 'single' ? 'Canal' : name)
/** And in the middle of one. */
const inSentence = ({ name }: Canal): string => (name === 'single' ? 'the canal' : name)

export const canalsOf = (u: Unit): Canal[] => u.facts.canals ?? usualCanals(u.tooth)

const act = acts({ phase: 'canal', fn: 'root canal', place: 'mouth', helped: true })
const hypo = reason(
  'Hypochlorite: side-vented needle, loose in the canal, slow; eyes and clothes covered; never without a tight dam',
  'C',
)

/** Through the roof of the chamber, orifices opened. */
export function access(c: Case, u: Unit): Block {
  return cutSteps(
    { ...c, units: [u] },
    () => [
      {
        act: 'access',
        title: 'Access through the roof of the chamber',
        form: 'access',
        depthMm: 2,
        surface: 'occlusal',
        share: 2,
      },
      {
        act: 'walls',
        title: 'Walls opened; the floor is not touched',
        form: 'orifice',
        depthMm: 2,
        surface: 'chamber',
        share: 1,
        mistakes: ['floor cut: the map of the orifices is gone'],
      },
    ],
    [3, 5, 10],
  )
}

/** Each canal: orifice, glide path, length by the locator, files in order with irrigation between. */
function shapeCanal(u: Unit, canal: Canal): Block {
  const id = (what: string): string => `canal.${what}.${u.tooth}-${canal.name}`
  const length: Figure[] =
    canal.lengthMm === undefined
      ? []
      : [
          {
            name: `working length ${canal.name}`,
            value: canal.lengthMm,
            unit: 'mm',
            text: `${canal.lengthMm} mm from the reference point, as recorded; the locator and the film decide today`,
            standing: 'practice',
          },
        ]
  const files = filesFor(usualLast(canal.name))
  const set = canal.lengthMm === undefined ? '' : `, about ${canal.lengthMm} mm`
  return sequence(
    act(id('orifice'), `${called(canal)}: orifice opened, glide path with small files${set}`, [1.5, 2.5, 5], {
      tooth: u.tooth,
      passes: ['orifice opener', 'file 10, stop set', 'file 15'],
      needs: [
        open('orifice opener'),
        open('hand file.small', 2),
        open('file stops'),
        open('endodontic ruler'),
        open('file block'),
      ],
      figures: length,
    }),
    act(id('length'), `${called(canal)}: working length with the locator${set}; say it, write it`, [0.5, 1, 2], {
      tooth: u.tooth,
      fn: 'root canal',
      told: `measured the working length of ${inSentence(canal)}`,
      passes: ['file with clip', 'lip hook'],
      needs: [open('apex locator'), open('lip hook')],
      cautions: [reason('Locator and pacemaker: the dentist decides', 'C')],
      mistakes: ['canal flooded: the locator reads short'],
    }),
    act(id('shape'), `${called(canal)}: files in order, ${files.join(', ')}; irrigation between each`, [2, 4, 8], {
      tooth: u.tooth,
      told: `shaped and irrigated ${inSentence(canal)}`,
      asks: [
        {
          reading: 'canal',
          teeth: [u.tooth],
          canal: canal.name,
          ...(canal.lengthMm === undefined ? {} : { lengthMm: canal.lengthMm }),
        },
        { reading: 'irrigant', teeth: [u.tooth] },
      ],
      passes: files.flatMap((f, i) => [`file ${f}${i === 0 ? ' with a touch of EDTA, stop set' : ''}`, 'irrigation']),
      needs: [
        open('rotary file set'),
        open('endodontic motor'),
        open('irrigation syringe', 2),
        open('side-vented needle', 2),
        open('hypochlorite', 10),
        open('edta', 1),
        open('dappen dish', 2),
      ],
      cautions: [hypo],
      mistakes: [
        'a file used past its count: it parts; count uses',
        'irrigation forced: it goes past the end',
        'hypochlorite and another antiseptic meet: a brown clot; water between them',
      ],
      detail:
        'The file that goes slow and binds is said and marked: it picks the master. Log: canal, file and taper, length, reference point.',
    }),
  )
}

/** All canals: length and shape, agitation, last rinse, dry. Root canal, one canal 20 · 35 · 60 minutes in all with the filling. */
export function shapeCanals(c: Case, u: Unit): Block {
  const canals = canalsOf(u)
  const agitate = c.rule('irrigant.agitate')
  return sequence(
    ...canals.map((canal) => shapeCanal(u, canal)),
    act(
      `canal.agitate.${u.tooth}`,
      `Irrigant agitated ${agitate.own ? `${agitate.value} s` : '15–20 s'} in each canal before the last file, and again after it`,
      [0.5, 1, 2],
      {
        tooth: u.tooth,
        passes: ['agitator tip', 'irrigation'],
        asks: [{ reading: 'irrigant', teeth: [u.tooth] }],
        needs: [open('irrigation agitator'), open('hypochlorite', 5), open('edta', 3)],
        ties: [
          lasting(
            agitate.value * canals.length,
            'Agitation',
            inWords(`${agitate.because.text}, ${canals.length} canal${canals.length === 1 ? '' : 's'}`, agitate),
          ),
        ],
        cautions: [hypo],
      },
    ),
  )
}

/** The points by the last file that was planned: another master, other points. */
const dryWith = (canals: readonly Canal[]): string =>
  `As planned: ${canals
    .map((c) => `${inSentence(c)} ${pointsFor(usualLast(c.name)).sizes.join(', ')}`)
    .join('; ')}; another master, other points.`

/** Cones tried, film, points down to dry, sealer, seared below the orifice. */
export function fillCanals(u: Unit, belowOrificeMm: number): Block {
  const canals = canalsOf(u)
  const n = canals.length
  return sequence(
    act(
      `canal.cones.${u.tooth}`,
      n === 1
        ? 'Master cone tried to length; film'
        : `Master cones tried to length: ${canals.map((x) => x.name).join(', ')}; film`,
      [2, 3, 5],
      {
        tooth: u.tooth,
        fn: 'radiograph',
        told: 'tried the master cones and took a film',
        passes: ['cone in locking tweezers, length marked'],
        needs: [
          open('master cone', n),
          open('film holder'),
          open('locking tweezers.cones', 1, { orElse: [{ what: 'tweezers', loss: 'no lock: the length slips' }] }),
        ],
        hold: {
          name: 'length',
          title: 'Length on the film',
          evidence: 'cones at length on the film, with a tug',
          because: practice('length and file log belong to the record; what is filled stays'),
          restsOn: canals.map((x) => `canal.shape.${u.tooth}-${x.name}`),
        },
      },
    ),
    act(`canal.dry.${u.tooth}`, 'Dry with paper points, one or two sizes under the master', [1, 1.5, 3], {
      detail: `One after the other, until one comes out dry. ${dryWith(canals)}`,
      tooth: u.tooth,
      passes: ['points, counted by length'],
      needs: [open('paper point', n * 3)],
      mistakes: ['bleeding on the point: it is past the end, or not clean'],
    }),
    ...canals.map((canal) =>
      act(
        `canal.fill.${u.tooth}-${canal.name}`,
        `${called(canal)}: sealer, master cone, seared, packed down`,
        [1, 1.5, 3],
        {
          tooth: u.tooth,
          told: `filled ${inSentence(canal)}`,
          passes: ['cone, sealer on its end', 'heat carrier', 'plugger'],
          needs: [open('sealer', 0.2), open('heat carrier'), open('endodontic plugger', 2)],
          cautions: [reason('Hot instruments: lip guarded, tip straight to its stand', 'C')],
        },
      ),
    ),
    act(
      `canal.cut-back.${u.tooth}`,
      `Taken ${belowOrificeMm} mm below the orifice for the core; chamber wiped clean of sealer`,
      [1, 1.5, 3],
      {
        tooth: u.tooth,
        told: `took the root filling ${belowOrificeMm} mm below the orifice`,
        passes: ['heat carrier', 'alcohol pellet'],
        needs: [
          open('alcohol'),
          open('cotton pellet', 2),
          standby('hand file.small', 'a canal has to be opened again', 1),
        ],
        reason: practice(`${belowOrificeMm} mm below the orifice: room for the core to key in`),
        mistakes: ['sealer left on the walls: the core does not bond'],
      },
    ),
  )
}
