/** Where those who treat children disagree. Standing: common practice. */
import { ask } from './school-form'

export const ofChildren = {
  childMolar: ask(
    'Children’s molar',
    [
      ['conventional', 'Prepared', 'occlusal 1–2 mm, slices, round off'],
      ['sealed in', 'Sealed in, not cut', 'the lesion is shut off from the mouth; the bite is high and settles'],
    ],
    (f) =>
      f.lesion === 'non-cavitated'
        ? { value: 'sealed in', why: 'not broken open: shut off from the mouth, nothing is cut' }
        : !f.managesFilling
          ? { value: 'sealed in', why: 'the child cannot take the simpler way' }
          : { value: 'conventional', why: 'what can be cleaned is cleaned first' },
  ),
  lock: ask(
    'Lock of a filling between primary front teeth',
    [
      ['none', 'None', 'the bond holds it; nothing more of a small crown is cut away'],
      ['inner side', 'On the inner side', 'half across at most, within the middle third; out of sight'],
      ['front', 'From the front', 'half across at most, within the middle third; where decay opened the front already'],
    ],
    { value: 'none', why: 'cut only where it is wanted: the bond holds, and the crown is small' },
  ),
  frontBand: ask(
    'Band between primary front teeth',
    [
      ['half strip', 'Plastic strip, half its height', 'pulled tight by finger; it fits a primary crown'],
      ['sectional band', 'Sectional band', 'keeps its curve by itself: both hands are free'],
    ],
    { value: 'half strip', why: 'light goes through it from both sides' },
  ),
} as const
