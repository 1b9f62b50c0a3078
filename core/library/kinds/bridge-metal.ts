/** J02: bonded metal bridge on a lateral gap: preparation, try-in, delivery with its 20 s and 90 s clock. */
import { metalRetainerLines } from '../cuts/enamel'
import type { Kind } from '../kind'
import { halfYear, shade, tissueRecall, weekAfter } from './shared'

export const bridgeMetalPrepare: Kind = {
  id: 'bridge.metal.prepare',
  deciding: ['records.room', { each: 'first tooth', do: ['records.opponent'] }],
  beforehand: [shade, [['painted tray'], ['opposing arch']]],
  work: [
    ['overgrown gum'],
    ['rolls'],
    'cutting.outline',
    { cut: metalRetainerLines, minutes: [4, 7, 12] },
    ['cords'],
    ['final impression'],
    'records.slip',
  ],
  bites: ['room', 'no provisional'],
  followUps: [
    { kind: 'bridge.metal.try-in', title: 'Try-in of the metal bridge', after: 'metal bridge.try-in' },
    tissueRecall,
  ],
}

export const bridgeMetalTryIn: Kind = {
  id: 'bridge.metal.try-in',
  work: [
    ['rolls'],
    ['try-in', { what: 'metal bridge', as: 'delivery.try-in:metal bridge' }],
    'delivery.shade:metal bridge',
    'delivery.back-to-lab',
  ],
  bites: ['tried in'],
  followUps: [{ kind: 'bridge.metal.deliver', title: 'Delivery of the etched bridge', after: 'metal bridge.delivery' }],
}

export const bridgeMetalDeliver: Kind = {
  id: 'bridge.metal.deliver',
  work: [
    ['sheet on', { purpose: 'bonding', tied: '$(tooth codes)' }],
    // Tried while nothing is etched, cleaned of the try, dried at the bench: etched enamel then waits for nothing.
    'delivery.seat-try',
    ['piece cleaned', { what: 'bridge' }],
    'delivery.vacuum',
    ['pumice', { at: 'delivery' }],
    ['etch', { at: 'delivery', of: 'enamel', frosted: true }],
    // From the first mix to hard: the 90 s clock.
    'delivery.bond-mix',
    'delivery.cement-mix',
    { each: 'first tooth', do: ['delivery.seat:metal bridge'] },
    'delivery.hold',
    ['sheet off'],
    'delivery.excess:metal bridge',
    'delivery.fingers',
    'delivery.bite:metal bridge',
    { each: 'first tooth', do: ['delivery.relief'] },
    'delivery.metal-polish',
  ],
  bites: ['bonded bridge'],
  followUps: [weekAfter('threaded floss, colour after rehydration, tissue'), halfYear],
}
