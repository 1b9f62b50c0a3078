/** J11: post, core and provisional on a front tooth, under the sheet throughout. */
import { firstOf } from '../sure'
import { reason } from '../figure'
import { postFor, type PostChoice } from '../measure/post'
import { postSpace } from '../measure/restoring'
import type { Shown } from '../model/step'
import { bondTooth } from '../phases/adhesive'
import { cureOf, lightStep, type Spot, spotOn } from '../phases/bonding'
import { acts, draftsOf, open, practice, sequence, standby, type Block, lastingBy, atLeast } from '../library/build'
import { labels, type Case, type Unit, teethOf, type RestoredCase } from '../library/case'
import { marginCuts } from '../phases/crown-cuts'
import { cutSteps, theBur } from '../phases/cutting'
import { sheetOff, sheetOn } from '../phases/isolation'
import { reductionTargets, writeRange } from '../measure/reduction'
import { innerSide } from '../teeth/arch'
import { deliveryAfter, after } from './follow-ups'
import { restoring } from './kind'

const post = acts({ phase: 'core', fn: 'placing', place: 'mouth', helped: true })
const canal = acts({ phase: 'canal', fn: 'root canal', place: 'mouth', helped: true })
const first = (c: Case): Unit => firstOf(c.units)
const spotOf = (u: Unit): Spot => spotOn(u, 'post', 'core')

/** The drill's last size where none is owned, mm. Our estimate. */
const usualPostMm = 1.4

/** Drills that are owned, and the post among them for this root. */
function choiceOf(c: Case): PostChoice | undefined {
  const drills = c.practice.burs.filter((b) => b.shape === 'reamer').map((b) => b.diameterMm)
  return drills.length > 0 ? postFor(first(c).size.cervicalMesiodistalMm, drills) : undefined
}

/** The root as it is drawn at a stage. */
function rootOf(c: Case, stage: 'space' | 'post' | 'core'): Shown {
  const canalMm = first(c).facts.canals?.[0]?.lengthMm
  return {
    what: 'post',
    stage,
    ...(canalMm === undefined ? {} : { canalMm }),
    sealMm: c.request.sealMm,
    postMm: choiceOf(c)?.postMm ?? usualPostMm,
  }
}

/** Post space by the canal's length where the film has been read, else what the film will be asked. */
function space(c: Case): Block {
  const u = first(c)
  const canalMm = u.facts.canals?.[0]?.lengthMm
  const { sealMm } = c.request
  const room = canalMm !== undefined && canalMm > sealMm ? postSpace(canalMm, sealMm) : undefined
  const choice = choiceOf(c)
  const earlier = choice?.drillsMm.slice(0, -1) ?? []
  const shows = rootOf(c, 'space')
  const depth = room
    ? `${room.leastMm}–${room.mostMm} mm`
    : `half to two thirds of the canal, ${sealMm} mm of root filling left`
  return sequence(
    canal(
      'canal.film',
      `Canal length from the film: ${canalMm === undefined ? 'read it, write it' : `${canalMm} mm`}; post space ${depth}`,
      [0.5, 1, 2],
      {
        place: 'chair',
        fn: 'chairside',
        tooth: u.tooth,
        shows,
        asks: [{ reading: 'post space', teeth: [u.tooth] }],
        told: `read the canal length${canalMm === undefined ? '' : ` of ${canalMm} mm`} from the film`,
        needs: [open('endodontic ruler'), open('film holder')],
        figures: room ? [room.figure] : [],
        ...(room?.because
          ? { reason: room.because }
          : { reason: practice('post space half to two thirds of the canal, with 4–5 mm of root filling left') }),
      },
    ),
    canal('canal.orifice', 'Orifice openers by number, the smaller first: the mouth of the canal, slow', [0.5, 1, 2], {
      tooth: u.tooth,
      passes: ['orifice opener, 1', 'orifice opener, 2'],
      needs: [open('orifice opener', 2), open('slow handpiece')],
      mistakes: ['driven down: it cuts sideways, and the root is thin there'],
    }),
    ...earlier.map((mm, n) =>
      canal(`canal.widen.${n + 1}`, `Post drill ${mm} mm first, stop set; rinse`, [0.5, 1, 2], {
        tooth: u.tooth,
        shows,
        cut: { id: `canal.widen.${n + 1}`, form: 'post space', depthMm: mm, surface: 'canal' },
        passes: [theBur, 'rinse'],
        needs: [open('slow handpiece'), open('file stops'), open('irrigation syringe')],
      }),
    ),
    canal(
      'canal.drill',
      `Post drills in size order${choice ? `, the last ${choice.postMm} mm,` : ''} to ${room ? `${room.leastMm}–${room.mostMm} mm, the dentist picks` : 'the depth read'}; stop set, rinse between`,
      [2, 3, 6],
      {
        tooth: u.tooth,
        shows,
        told: `prepared the post space to ${room ? `${room.mostMm} mm` : 'the depth read'}`,
        asks: [{ reading: 'post space', teeth: [u.tooth] }],
        cut: { id: 'canal.drill', form: 'post space', depthMm: choice?.postMm ?? usualPostMm, surface: 'canal' },
        figures: choice ? [choice.figure] : [],
        passes: [theBur, 'rinse'],
        needs: [open('slow handpiece'), open('file stops'), open('endodontic ruler')],
        cautions: [
          reason('Slow, no force, no hand on the lip side: a drill that leaves the canal goes through the root', 'C'),
        ],
        mistakes: ['a size left out: the drill binds and goes astray', 'seal drilled away: less than 4 mm left'],
      },
    ),
    canal('canal.clean', 'Canal cleaned: rinsed, then dried with paper points', [1, 2, 3], {
      tooth: u.tooth,
      needs: [open('irrigation syringe'), open('side-vented needle'), open('edta', 2), open('paper point', 4)],
      passes: ['irrigation', 'points'],
      detail: 'Looked into with the mirror: nothing of the root filling is left on the walls.',
      mistakes: ['a film left on the wall: the post bonds to that'],
    }),
    canal('canal.try-post', 'Post tried, length marked, seating rehearsed with the light', [1, 1.5, 3], {
      tooth: u.tooth,
      shows: rootOf(c, 'post'),
      fn: 'placing',
      passes: ['post in tweezers', 'marker'],
      needs: [
        open('fibre post', 1, choice ? { words: `fibre post to match the ${choice.postMm} mm drill` } : {}),
        standby('fibre post', 'the next size fits better'),
        open('pencil'),
      ],
      hold: {
        name: 'post',
        title: 'Post fits',
        evidence: 'seated to its mark, film or drill depth agreeing',
        because: practice('once bonded it is drilled out or it stays'),
        again: [...earlier.map((_, n) => `canal.widen.${n + 1}`), 'canal.drill', 'canal.clean', 'canal.try-post'],
      },
    }),
  )
}

/** The post bonded: silane, adhesive by points with the excess wicked off, dual-cure from the bottom, light from three sides. */
function bondPost(c: Case): Block {
  const u = first(c)
  const s = spotOf(u)
  const inner = innerSide(u.tooth)
  const half = cureOf(c, 'post cement, each of three sides', 'cure.piece', 'core.dual-cure')
  const built = cureOf(c, 'built core, each of three sides', 'cure.piece', 'core.dual-cure')
  return sequence(
    post('post.silane', `Post wiped with alcohol; silane ${c.rule('silane.post').value} s, air dry`, [1, 1.2, 2], {
      place: 'bench',
      helped: false,
      tooth: u.tooth,
      fn: 'chairside',
      needs: [open('alcohol'), open('gauze', 1), open('silane', 0.1), open('micro brush')],
      detail: 'A post that comes coated gets the alcohol only.',
      ties: [lastingBy(c.rule('silane.post'), 'Silane')],
    }),
    post('post.strips', 'Strips round the neighbours before the acid', [0.3, 0.5, 1], {
      tooth: u.tooth,
      fn: 'chairside',
      passes: ['plastic strip', 'plastic strip'],
      needs: [open('plastic strip', 2)],
      countsIn: [{ id: 'strips', what: 'strips beside the tooth', planned: 2, outStep: 'post.core' }],
    }),
    bondTooth(c, s, 'canal', {
      cured: false,
      what: 'the canal and the tooth over it',
      dried: 'then paper points until one comes out dry',
    }),
    post('post.inject', 'Dual-cure from the bottom, tip in the material; post in, to its mark', [0.5, 0.8, 1.5], {
      tooth: u.tooth,
      told: 'bonded the fibre post',
      shows: rootOf(c, 'post'),
      passes: ['dual-cure with its long tip', 'post in tweezers'],
      needs: [open('core.dual-cure', 1.5), open('mixing tip'), open('core tip')],
      cautions: [reason('An acidic one-bottle adhesive needs its activator under a dual-cure resin', 'C')],
      mistakes: ['injected from the top: a void at the end'],
    }),
    ...['top', 'cheek side', inner === 'palatal' ? 'palatal side' : 'tongue side'].map((side, i) =>
      lightStep(s, `post.cure-${['top', 'cheek', 'inner'][i]}`, half, {
        title: `Light ${half.value} s, ${side}`,
        ...(i === 0 ? { reason: practice('cured from top, cheek and tongue side: 2 min in all') } : {}),
      }),
    ),
    post('post.cut', 'Post cut with a diamond and water, never nipped', [0.5, 1, 2], {
      tooth: u.tooth,
      fn: 'cutting',
      cut: { id: 'post.cut', form: 'post cut', depthMm: 1.6, surface: 'post' },
      needs: [open('high-speed handpiece')],
      cautions: [reason('The cut end flies: suction at the bur, eyes shielded', 'C')],
      mistakes: ['nipped: the fibres split to the root'],
    }),
    post('post.core', 'Core built round it, shaped over its end', [1, 2, 4], {
      tooth: u.tooth,
      told: 'built the core',
      shows: rootOf(c, 'core'),
      passes: ['core former or dual-cure', 'plugger'],
      countsOut: ['strips'],
      needs: [open('core.dual-cure', 1.5), open('core former'), open('composite plugger')],
    }),
    ...['top', 'cheek side', inner === 'palatal' ? 'palatal side' : 'tongue side'].map((side, i) =>
      lightStep(s, `post.core-cure-${['top', 'cheek', 'inner'][i]}`, built, {
        title: `Core: light ${built.value} s, ${side}`,
        ...(i === 0 ? { reason: practice('then 2 min more on the built core') } : {}),
      }),
    ),
  )
}

/** Chamfer all round with its ferrule, then a coat over the dentine that must shine. */
function shapeAndCoat(c: RestoredCase): Block {
  const u = first(c)
  const t = reductionTargets(c.restoration)
  const s = spotOn(u, 'coat', 'core')
  const coat = bondTooth(c, s, 'fresh dentine', { rinse: c.rule('etch.rinse.coat'), what: 'the dentine' })
  return sequence(
    cutSteps(
      { ...c, request: { ...c.request, vital: false } },
      (x) => [
        {
          act: 'core-facial',
          title: 'Core and labial wall shaped, two planes',
          form: 'facial reduction',
          depthMm: t.margin.mostMm,
          surface: 'labial',
          share: 2,
        },
        {
          act: 'core-inner',
          title: `${innerSide(x.tooth) === 'palatal' ? 'Palatal' : 'Lingual'} side concave`,
          form: 'lingual concavity',
          depthMm: t.inner.mostMm,
          surface: innerSide(x.tooth),
          share: 1,
        },
        ...marginCuts(c, x, t).map((l) =>
          l.act === 'margin'
            ? {
                ...l,
                title: `Chamfer all round ${writeRange(t.margin)}; ferrule 1.5–2 mm of sound tooth above it`,
                form: 'chamfer' as const,
                // A round end is sunk by half at most: the ledge comes to its full width in two passes.
                depthMm: Math.min(l.depthMm, 0.8),
                because: practice('1.5–2 mm of tooth held by the crown all round: without it the root splits'),
              }
            : l.act === 'finish'
              ? {
                  ...l,
                  after: 'chamfer' as const,
                  told: `finished the preparation of ${x.label} for a ${c.restoration}, chamfer ${writeRange(t.margin)}`,
                }
              : l,
        ),
      ],
      [8, 12, 20],
    ),
    post('core.ferrule', 'Ferrule gauged all round', [0.3, 0.5, 1], {
      tooth: u.tooth,
      asks: [{ reading: 'ferrule', teeth: [u.tooth] }],
      shows: rootOf(c, 'core'),
      fn: 'chairside',
      passes: ['probe'],
      needs: [open('periodontal probe')],
      hold: {
        name: 'reduction',
        title: 'Ferrule and margin',
        evidence: 'probe at six points, 1.5–2 mm',
        because: practice('ferrule 1.5–2 mm'),
        again: [`cutting.finish.${u.tooth}`, 'core.ferrule'],
      },
    }),
    coat,
    post('coat.look', 'It must shine all over, or again', [0.2, 0.3, 0.5], {
      tooth: u.tooth,
      fn: 'chairside',
      hold: {
        name: 'coat',
        title: 'Coat shines',
        evidence: 'a gloss without a dull patch',
        because: practice('dull is dry: coated again'),
        again: [...draftsOf(coat).map((d) => d.id), 'coat.look'],
      },
    }),
  )
}

/** Direct composite provisional in the shade of a tab made of the very material. */
function provisional(c: Case): Block {
  const u = first(c)
  const act = acts({ phase: 'provisional', fn: 'provisional making', place: 'mouth', helped: true, tooth: u.tooth })
  return sequence(
    act('provisional.separate', 'Separator over the coat and the neighbours', [0.3, 0.5, 1], {
      leaves: 'separator',
      needs: [open('separator', 0.5), open('micro brush')],
      hold: {
        name: 'separator',
        title: 'Separator on',
        evidence: 'a film on every coated surface',
        because: practice('the coat bonds to the provisional for good'),
        mandatory: true,
      },
    }),
    act('provisional.build', `Provisional of ${labels(c)} built in composite of the chosen shade`, [4, 7, 12], {
      told: 'built the provisional in composite',
      needs: [
        open('composite.universal', 1.5),
        open('composite carver'),
        open('crown form', 1, { orElse: [{ what: 'plastic strip', loss: 'built freehand' }] }),
        open('curing light'),
        open('light shield'),
      ],
      passes: ['composite on its instrument', 'light'],
      mistakes: ['cured in an undercut: it comes off in two pieces'],
    }),
    act('provisional.trim', 'Off, trimmed, polished; back on: margins, contacts, out of the bite', [3, 5, 9], {
      bite: 'provisional, out of contact',
      asks: [{ reading: 'provisional', teeth: teethOf(c) }],
      fn: 'provisional trimming',
      needs: [open('finishing disc', 2), open('rubber point'), open('articulating paper', 2), open('floss', 300)],
      hold: {
        name: 'provisional',
        title: 'Provisional good',
        evidence: 'margins, contacts and bite',
        because: practice('what the patient wears for weeks is seen by the dentist before it is cemented'),
        mandatory: true,
        again: ['provisional.build', 'provisional.trim'],
      },
    }),
    act('provisional.load', 'Mix the non-eugenol cement, thin along the inner edge', [0.3, 0.5, 0.75], {
      fn: 'chairside',
      place: 'bench',
      helped: false,
      needs: [open('provisional cement.non-eugenol', 1), open('mixing pad'), open('mixing spatula')],
    }),
    act('provisional.cement', 'Dry the tooth, seat, hold', [0.7, 1, 1.5], {
      act: 'provisional cemented',
      fn: 'provisional cementing',
      told: 'cemented the provisional with non-eugenol cement',
      tell: 'A temporary crown is on it. Nothing hard or sticky on that side. When you floss, slide the floss out sideways, not up. Call us if it comes loose, breaks, or feels too high.',
      reason: practice('a bonded crown follows: no eugenol'),
      cautions: [reason('A loose crown can be swallowed: gauze behind it, patient upright enough to cough', 'C')],
    }),
    act('provisional.excess', 'Excess off; knotted floss out sideways', [1, 1.5, 3], {
      fn: 'excess removal',
      needs: [open('scaler'), open('floss', 300)],
      ties: [
        {
          from: 'provisional.cement',
          fromEdge: 'finish',
          ...atLeast(c.rule('provisional.cement.sets')),
          title: 'Provisional cement sets',
        },
      ],
    }),
  )
}

export const postCore = restoring({
  id: 'post.core',
  beforehand: (c) => [
    acts({ phase: 'records', fn: 'shade preview', place: 'mouth' })(
      'records.shade',
      'Shade, teeth still wet, with tabs made of the provisional’s own material',
      [1, 2, 4],
      {
        needs: [open('shade guide'), open('material tab')],
        told: 'took the shade on wet teeth with tabs of the material',
        asks: [{ reading: 'shade', teeth: teethOf(c) }],
        hold: {
          name: 'shade',
          title: 'Shade',
          evidence: 'tab of the very material beside the tooth',
          because: practice('dry teeth look lighter: the shade is agreed before isolation'),
          mandatory: true,
        },
        mistakes: ['taken when the teeth have dried out: they read too light'],
      },
    ),
  ],
  work: (c) =>
    sequence(sheetOn(c, { purpose: 'bonding' }), space(c), bondPost(c), shapeAndCoat(c), sheetOff(c), provisional(c)),
  followUps: (c) => [
    {
      title: 'Crown, impression',
      kind: 'crown.prepare',
      ...after(c, 'core.impression'),
    },
    deliveryAfter(c, 'crown.deliver', `Delivery of the ${c.restoration}`),
  ],
})
