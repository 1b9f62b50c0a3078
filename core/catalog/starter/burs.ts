/** Generic burs: shape, grit, diameter in mm, head length, taper; US numbers where they have one. Standing: estimate. */
import { capital } from '../../words'
import { bur, type Bur } from '../bur'

type Row = [
  id: string,
  material: Bur['material'],
  shape: Bur['shape'],
  grit: Bur['grit'],
  diameterMm: number,
  headLengthMm: number,
  taperDeg?: number,
  more?: Partial<Bur>,
]
const latch = { shank: '204' } as const

const rows: Row[] = [
  ['dc-05', 'diamond', 'depth cutter', 'medium', 0.5, 5],
  ['dc-10', 'diamond', 'depth cutter', 'medium', 1.0, 5],
  ['dc-15', 'diamond', 'depth cutter', 'medium', 1.5, 5],
  ['dc-20', 'diamond', 'depth cutter', 'medium', 2.0, 5],
  ['ret-012', 'diamond', 'round-end taper', 'medium', 1.2, 7, 2],
  ['ret-016', 'diamond', 'round-end taper', 'medium', 1.6, 8, 4],
  ['ret-016c', 'diamond', 'round-end taper', 'coarse', 1.6, 8, 4],
  ['ret-018c', 'diamond', 'round-end taper', 'coarse', 1.8, 8, 4],
  ['ret-023', 'diamond', 'round-end taper', 'medium', 2.3, 8, 4],
  ['ret-012f', 'diamond', 'round-end taper', 'fine', 1.2, 7, 2],
  ['ret-016f', 'diamond', 'round-end taper', 'fine', 1.6, 8, 4],
  ['ret-023f', 'diamond', 'round-end taper', 'fine', 2.3, 8, 4],
  ['ret-016ef', 'diamond', 'round-end taper', 'extra-fine', 1.6, 8, 4],
  ['fet-018', 'diamond', 'flat-end taper', 'medium', 1.8, 8, 4],
  ['fet-018f', 'diamond', 'flat-end taper', 'fine', 1.8, 8, 4],
  ['fet-012', 'diamond', 'flat-end taper', 'medium', 1.2, 5, 2],
  ['fet-012f', 'diamond', 'flat-end taper', 'fine', 1.2, 5, 2],
  ['fet-010c', 'diamond', 'flat-end taper', 'coarse', 1.0, 6, 3],
  ['tor-012', 'diamond', 'torpedo', 'medium', 1.2, 8],
  ['tor-014', 'diamond', 'torpedo', 'medium', 1.4, 8],
  ['tor-016', 'diamond', 'torpedo', 'medium', 1.6, 8],
  ['tor-012d', 'diamond', 'torpedo', 'fine', 1.2, 8],
  ['tor-014f', 'diamond', 'torpedo', 'fine', 1.4, 8],
  ['tor-016f', 'diamond', 'torpedo', 'fine', 1.6, 8],
  ['tor-012f', 'carbide', 'torpedo', '12-flute', 1.2, 8],
  ['ndl-009', 'diamond', 'needle', 'medium', 0.9, 8],
  ['ndl-010c', 'diamond', 'needle', 'coarse', 1.0, 8],
  ['flm-010', 'diamond', 'flame', 'medium', 1.0, 6],
  ['flm-010f', 'diamond', 'flame', 'fine', 1.0, 6],
  ['flm-012t', 'carbide', 'flame', '12-flute', 1.2, 5],
  ['ftb-023', 'diamond', 'football', 'medium', 2.3, 4.5],
  ['ftb-023f', 'diamond', 'football', 'fine', 2.3, 4.5],
  ['whl-027', 'diamond', 'wheel', 'coarse', 2.7, 1.5],
  ['rnd-005', 'carbide', 'round', '6-flute', 0.5, 0.5, 0, { usNumber: '1/4' }],
  ['rnd-008', 'carbide', 'round', '6-flute', 0.8, 0.8, 0, { usNumber: '1' }],
  ['rnd-010', 'carbide', 'round', '6-flute', 1.0, 1, 0, { usNumber: '2' }],
  ['rnd-014', 'carbide', 'round', '6-flute', 1.4, 1.4, 0, { usNumber: '4' }],
  ['rnd-018', 'carbide', 'round', '6-flute', 1.8, 1.8, 0, { usNumber: '6' }],
  ['rnd-d014', 'diamond', 'round', 'medium', 1.4, 1.4],
  ['slow-010', 'steel', 'round', '6-flute', 1.0, 1, 0, { ...latch, usNumber: '2' }],
  ['slow-014', 'steel', 'round', '6-flute', 1.4, 1.4, 0, { ...latch, usNumber: '4' }],
  ['slow-018', 'steel', 'round', '6-flute', 1.8, 1.8, 0, { ...latch, usNumber: '6' }],
  ['slow-023', 'steel', 'round', '6-flute', 2.3, 2.3, 0, { ...latch, usNumber: '8' }],
  ['inv-006', 'carbide', 'inverted cone', '6-flute', 0.6, 0.6, 0, { usNumber: '33.5' }],
  ['inv-008', 'carbide', 'inverted cone', '6-flute', 0.8, 0.8, 0, { usNumber: '34' }],
  ['pear-008', 'carbide', 'pear', '6-flute', 0.8, 1.5, 0, { usNumber: '330' }],
  ['pear-010', 'carbide', 'pear', '6-flute', 1.0, 1.7, 0, { usNumber: '331' }],
  ['pear-012', 'carbide', 'pear', '6-flute', 1.2, 2, 0, { usNumber: '332' }],
  ['tear-010', 'diamond', 'teardrop', 'medium', 1.0, 2],
  ['cyl-009x', 'carbide', 'cylinder', 'crosscut', 0.9, 4, 0, { usNumber: '556' }],
  ['cyl-010x', 'carbide', 'cylinder', 'crosscut', 1.0, 4, 0, { usNumber: '557' }],
  ['cyl-012x', 'carbide', 'cylinder', 'crosscut', 1.2, 4.5, 0, { usNumber: '558' }],
  ['tap-010', 'carbide', 'flat-end taper', '6-flute', 1.0, 4, 3, { usNumber: '170' }],
  ['tap-012x', 'carbide', 'flat-end taper', 'crosscut', 1.2, 4.5, 3, { usNumber: '701' }],
  ['rtp-012', 'carbide', 'rounded taper', '6-flute', 1.2, 4, 3, { usNumber: '271' }],
  ['net-012', 'diamond', 'non-end-cutting taper', 'medium', 1.2, 9, 3],
  ['post-09', 'steel', 'reamer', '6-flute', 0.9, 9, 0, latch],
  ['post-11', 'steel', 'reamer', '6-flute', 1.1, 9, 0, latch],
  ['post-14', 'steel', 'reamer', '6-flute', 1.4, 9, 0, latch],
  ['fin-ret-012', 'carbide', 'round-end taper', '12-flute', 1.2, 8, 3],
  ['fin-tor-014', 'carbide', 'torpedo', '12-flute', 1.4, 8],
  ['fin-tor-016', 'carbide', 'torpedo', '12-flute', 1.6, 8],
  ['fin-ret-016', 'carbide', 'round-end taper', '12-flute', 1.6, 8, 4],
  ['fin-ftb-023', 'carbide', 'football', '12-flute', 2.3, 4],
  ['fin-fet-016', 'carbide', 'flat-end taper', '12-flute', 1.6, 8, 3],
  ['ftb-012', 'diamond', 'football', 'medium', 1.2, 2.5],
  ['ftb-012f', 'diamond', 'football', 'fine', 1.2, 2.5],
  ['ftb-023c', 'diamond', 'football', 'coarse', 2.3, 4.5],
  ['flm-010ef', 'diamond', 'flame', 'extra-fine', 1.0, 6],
]

const word = (b: Row): string =>
  `${capital(b[2])} ${b[4].toFixed(1)}, ${b[3]}${b[1] === 'diamond' ? '' : `, ${b[1]}`}${b[7]?.shank === '204' ? ', slow' : ''}`

/** The starter burs. */
export const starterBurs: Bur[] = rows.map((row) => {
  const [id, material, shape, grit, diameterMm, headLengthMm, taperDeg = 0, more = {}] = row
  return bur.parse({ id, name: word(row), material, shape, grit, diameterMm, headLengthMm, taperDeg, ...more })
})
