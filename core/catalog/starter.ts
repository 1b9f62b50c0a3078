/**
 * Generic items and burs a practice starts from: trade terms only, sizes for the tray drawing, product times as starting
 * values. Every practice replaces them from its own cupboard and its own instructions for use. Standing: estimate.
 */
import { bur, type Bur } from './bur'
import { item, type Family, type Item } from './item'

type Row = [id: string, name: string, serves: string[], lengthMm: number, widthMm: number, more?: Partial<Item>]

const once = { reusable: false } as const
const rows: Record<Family, Row[]> = {
  diagnostic: [
    ['mirror', 'Mouth mirror', ['mirror'], 165, 22],
    ['explorer', 'Explorer', ['explorer'], 160, 10],
    ['probe', 'Periodontal probe', ['periodontal probe'], 165, 8],
    ['tweezers', 'Locking tweezers', ['tweezers'], 150, 12],
    ['magnifier', 'Magnifier for impressions', ['magnifier'], 90, 40],
    ['clearance-tabs', 'Clearance tabs 1.0, 1.5, 2.0', ['clearance tabs'], 70, 25],
  ],
  protection: [
    ['bib', 'Bib and chain', ['bib'], 60, 60],
    ['patient-shield', 'Eye shield, patient', ['patient shield'], 150, 50],
    ['face-shield', 'Face shield', ['face shield'], 120, 60],
    ['gloves-latex', 'Examination gloves, latex', ['gloves'], 90, 60, { ...once, latex: true, unit: 'pair' }],
    ['gloves-nitrile', 'Examination gloves, nitrile', ['gloves'], 90, 60, { ...once, unit: 'pair' }],
    ['mask', 'Mask', ['mask'], 90, 50, once],
    ['sharps-box', 'Sharps box', ['sharps box'], 80, 80],
  ],
  'hand instrument': [
    ['cord-packer', 'Cord packer, thin, serrated', ['cord packer'], 165, 9],
    ['cord-scissors', 'Fine scissors', ['cord scissors'], 110, 35],
    ['blunt-scissors', 'Blunt scissors', ['blunt scissors'], 130, 45],
    ['scaler', 'Sickle scaler', ['scaler'], 165, 10],
    ['mixing-spatula', 'Mixing spatula', ['mixing spatula'], 160, 18],
    ['scalpel', 'Scalpel, guarded', ['scalpel'], 140, 12, once],
    ['thickness-gauge', 'Spring thickness gauge', ['thickness gauge'], 100, 35],
    ['pencil', 'Soft pencil', ['pencil'], 120, 7],
    ['cheek-retractor', 'Cheek retractor', ['cheek retractor'], 110, 40],
  ],
  handpiece: [
    ['high-speed', 'High-speed handpiece', ['high-speed handpiece'], 120, 15],
    ['straight', 'Straight handpiece', ['straight handpiece'], 130, 20],
    ['bur-block', 'Bur block', ['bur block'], 60, 40],
    ['scanner', 'Intra-oral scanner', ['scanner'], 220, 45],
    ['scanner-tip', 'Scanner tip', ['scanner tip'], 90, 25],
  ],
  dam: [
    ['sheet-latex', 'Dam sheet, latex, medium', ['dam sheet'], 60, 60, { ...once, latex: true }],
    ['sheet-free', 'Dam sheet, latex-free, medium', ['dam sheet'], 60, 60, once],
    ['frame', 'Dam frame', ['dam frame'], 150, 130],
    ['punch', 'Dam punch', ['dam punch'], 160, 50],
    ['clamp-forceps', 'Clamp forceps', ['clamp forceps'], 170, 50],
    ['dam-lubricant', 'Water-soluble lubricant', ['dam lubricant'], 30, 30, { ...once, unit: 'mL' }],
    ['block-out', 'Light-cured block-out', ['block-out resin'], 90, 14, once],
  ],
  clamp: [
    ['clamp-molar', 'Clamp, molar, winged', ['clamp.molar'], 30, 25],
    ['clamp-premolar', 'Clamp, premolar, winged', ['clamp.premolar'], 30, 22],
    ['clamp-retentive', 'Clamp, jaws pointing down', ['clamp.retentive'], 30, 25],
    ['clamp-cervical', 'Clamp, double bow, cervical', ['clamp.cervical'], 30, 30],
  ],
  cord: (['000', '00', '0', '1', '2', '3'] as const).map((size): Row => [`cord-${size}`, `Braided cord ${size}`, [`cord.${size}`], 45, 45, { ...once, unit: 'mm', tracked: true }]),
  agent: [
    ['aluminium-chloride', 'Aluminium chloride 25 %', ['agent.aluminium chloride'], 35, 35, { ...once, unit: 'mL', tracked: true }],
    ['ferric-sulphate', 'Ferric sulphate 15.5 %', ['agent.ferric sulphate'], 35, 35, { ...once, unit: 'mL', tracked: true }],
    ['adrenaline-solution', 'Adrenaline solution for cord', ['agent.adrenaline'], 35, 35, { ...once, unit: 'mL', tracked: true }],
  ],
  impression: [
    ['dual-arch-tray', 'Dual-arch tray, steel frame', ['dual-arch tray'], 90, 60],
    ['custom-tray-lower', 'Custom tray, lower', ['custom tray.lower'], 80, 75, once],
    ['custom-tray-upper', 'Custom tray, upper', ['custom tray.upper'], 80, 75, once],
    ['sectional-tray', 'Sectional tray', ['sectional tray'], 75, 35, once],
    ['full-tray-upper', 'Stock tray, full, upper', ['full tray.upper'], 85, 70],
    ['full-tray-lower', 'Stock tray, full, lower', ['full tray.lower'], 85, 70],
    ['silicone-light-fast', 'Addition silicone light, fast', ['light body.silicone.fast'], 110, 30, { ...once, unit: 'mL', tracked: true, workingS: 75, inMouthS: 150 }],
    ['silicone-light', 'Addition silicone light, regular', ['light body.silicone.regular'], 110, 30, { ...once, unit: 'mL', tracked: true, workingS: 135, inMouthS: 240 }],
    ['silicone-heavy-fast', 'Addition silicone heavy, fast', ['heavy body.silicone.fast'], 110, 40, { ...once, unit: 'mL', tracked: true }],
    ['silicone-heavy', 'Addition silicone heavy, regular', ['heavy body.silicone.regular', 'preliminary silicone'], 110, 40, { ...once, unit: 'mL', tracked: true }],
    ['polyether-light', 'Polyether, syringe', ['light body.polyether.regular'], 110, 30, { ...once, unit: 'mL', tracked: true, workingS: 135, inMouthS: 210 }],
    ['polyether-medium', 'Polyether, medium', ['medium body.polyether'], 120, 45, { ...once, unit: 'mL', tracked: true }],
    ['polyether-adhesive', 'Tray adhesive, polyether', ['tray adhesive.polyether'], 40, 40, { ...once, unit: 'mL', tracked: true }],
    ['bite-silicone', 'Bite silicone', ['bite silicone'], 110, 30, { ...once, unit: 'mL', tracked: true }],
    ['alginate', 'Alginate, grams', ['alginate'], 100, 80, { ...once, unit: 'piece', tracked: true }],
    ['mixing-bowl', 'Mixing bowl', ['mixing bowl'], 110, 110],
    ['dispensing-gun', 'Dispensing gun', ['dispensing gun'], 180, 60],
    ['mixing-tip', 'Mixing tip', ['mixing tip'], 60, 14, once],
    ['impression-syringe', 'Impression syringe', ['impression syringe'], 130, 20, once],
    ['block-out-wax', 'Block-out wax', ['block-out wax'], 50, 20, once],
    ['disinfectant-spray', 'Impression disinfectant', ['disinfectant spray'], 80, 60],
    ['impression-bag', 'Bag and label', ['impression bag'], 60, 40, once],
    ['shade-guide', 'Shade guide', ['shade guide'], 180, 60],
  ],
  provisional: [
    ['putty', 'Silicone putty', ['putty'], 70, 70, { ...once, unit: 'mL', tracked: true }],
    ['bis-acryl', 'Bis-acryl', ['bis-acryl'], 110, 40, { ...once, unit: 'mL', tracked: true }],
    ['petroleum-jelly', 'Petroleum jelly', ['separator'], 30, 30, { ...once, unit: 'mL' }],
    ['flowable', 'Flowable resin', ['flowable resin'], 90, 14, once],
    ['micro-brush', 'Micro brush', ['micro brush'], 100, 5, once],
  ],
  cement: [
    ['zoe-cement', 'Provisional cement, zinc oxide and eugenol', ['provisional cement.eugenol'], 90, 35, { ...once, tracked: true }],
    ['ne-cement', 'Provisional cement, non-eugenol', ['provisional cement.non-eugenol'], 90, 35, { ...once, tracked: true }],
    ['mixing-pad', 'Mixing pad', ['mixing pad'], 80, 80],
    ['bite-stick', 'Bite stick', ['bite stick'], 120, 12, once],
  ],
  anaesthesia: [
    ['topical', 'Topical anaesthetic', ['topical'], 40, 40, { ...once, unit: 'mL', tracked: true }],
    ['cotton-tip', 'Cotton tip', ['cotton tip'], 100, 6, once],
    ['syringe', 'Aspirating syringe', ['syringe'], 140, 40],
    ['needle-long', 'Needle, long', ['needle.long'], 60, 12, once],
    ['needle-short', 'Needle, short', ['needle.short'], 50, 12, once],
    ['articaine', 'Articaine 4 % with adrenaline, 1.7 mL', ['cartridge.articaine with adrenaline'], 65, 10, { ...once, unit: 'cartridge', tracked: true }],
    ['lidocaine', 'Lidocaine 2 % with adrenaline, 1.8 mL', ['cartridge.lidocaine with adrenaline'], 65, 10, { ...once, unit: 'cartridge', tracked: true }],
    ['mepivacaine', 'Mepivacaine 3 % plain, 1.7 mL', ['cartridge.mepivacaine plain'], 65, 10, { ...once, unit: 'cartridge', tracked: true }],
  ],
  consumable: [
    ['suction-tip', 'High-volume suction tip', ['suction tip'], 150, 14, once],
    ['saliva-ejector', 'Saliva ejector', ['saliva ejector'], 150, 8, once],
    ['air-water-tip', 'Air and water tip', ['air-water tip'], 100, 8, once],
    ['gauze', 'Gauze', ['gauze'], 50, 50, once],
    ['cotton-roll', 'Cotton roll', ['cotton roll'], 40, 12, once],
    ['cotton-pellet', 'Cotton pellet', ['cotton pellet'], 20, 20, once],
    ['dappen-dish', 'Dappen dish', ['dappen dish'], 35, 35],
    ['floss', 'Floss', ['floss'], 45, 45, { ...once, unit: 'mm' }],
    ['articulating-paper', 'Articulating paper', ['articulating paper'], 40, 60, once],
  ],
  finishing: [
    ['trimming-disc', 'Trimming disc on mandrel', ['trimming disc'], 45, 16, once],
    ['polishing-brush', 'Polishing brush and felt', ['polishing brush'], 45, 22],
  ],
  record: [],
}

/** The starter items, parsed through the schema. */
export const starterItems: Item[] = (Object.keys(rows) as Family[]).flatMap((family) =>
  rows[family].map(([id, name, serves, lengthMm, widthMm, more]) => item.parse({ id, name, family, serves, lengthMm, widthMm, reusable: true, ...more })),
)

type BurRow = [id: string, material: Bur['material'], shape: Bur['shape'], grit: Bur['grit'], diameterMm: number, headLengthMm: number, taperDeg?: number, more?: Partial<Bur>]
const burRows: BurRow[] = [
  ['dc-10', 'diamond', 'depth cutter', 'medium', 1.0, 5],
  ['dc-15', 'diamond', 'depth cutter', 'medium', 1.5, 5],
  ['dc-20', 'diamond', 'depth cutter', 'medium', 2.0, 5],
  ['ret-016', 'diamond', 'round-end taper', 'medium', 1.6, 8, 4],
  ['ret-018c', 'diamond', 'round-end taper', 'coarse', 1.8, 8, 4],
  ['ret-023', 'diamond', 'round-end taper', 'medium', 2.3, 8, 4],
  ['ret-016f', 'diamond', 'round-end taper', 'fine', 1.6, 8, 4],
  ['ret-023f', 'diamond', 'round-end taper', 'fine', 2.3, 8, 4],
  ['fet-018', 'diamond', 'flat-end taper', 'medium', 1.8, 8, 4],
  ['fet-018f', 'diamond', 'flat-end taper', 'fine', 1.8, 8, 4],
  ['tor-012', 'diamond', 'torpedo', 'medium', 1.2, 8],
  ['tor-012f', 'carbide', 'torpedo', '12-flute', 1.2, 8],
  ['ndl-009', 'diamond', 'needle', 'medium', 0.9, 8],
  ['flm-010', 'diamond', 'flame', 'medium', 1.0, 6],
  ['ftb-023', 'diamond', 'football', 'medium', 2.3, 4.5],
  ['whl-027', 'diamond', 'wheel', 'coarse', 2.7, 1.5],
  ['rnd-010', 'carbide', 'round', '6-flute', 1.0, 1, 0, { usNumber: '2' }],
]

/** The starter burs. */
export const starterBurs: Bur[] = burRows.map(([id, material, shape, grit, diameterMm, headLengthMm, taperDeg = 0, more = {}]) =>
  bur.parse({ id, name: `${shape[0]!.toUpperCase()}${shape.slice(1)} ${diameterMm.toFixed(1)}, ${grit}${material === 'carbide' ? ', carbide' : ''}`, material, shape, grit, diameterMm, headLengthMm, taperDeg, ...more }),
)
