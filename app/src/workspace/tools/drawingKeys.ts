import { t } from '../../messages/t.ts';

/** Keys that only mean something while drawing; listed for the help, handled by the workspace. */
export const DRAWING_KEYS: readonly (readonly [keys: string, what: string])[] = [
  ['Shift', t('frame.rightAnglesWhileHeld')],
  [t('frame.n09Enter'), t('frame.typeTheLengthOfThePieceAlso')],
  [t('frame.n8Enter'), t('frame.aRiseFromTheLastPointOr')],
  ['K  G', t('frame.theNextPieceAsAnArcOr')],
  ['E  W  Q', t('frame.anAreaAsABoxATurned')],
  ['Tab', t('frame.theNextPlaceThePointCouldBe')],
  ['N', t('frame.snappingOnOrOff')],
  ['U', t('frame.cutOutTheAreaJustDrawn')],
  ['.', t('frame.liftThePenGoOnElsewhereIn')],
  ['Backspace', t('frame.takeBackTheLastPoint')],
  ['Enter', t('frame.endTheMark')],
  ['Esc', t('frame.leaveThePenWhatIsDrawnStays')],
  ['Delete', t('frame.deleteTheSelectedVertexOrMarks')],
  ['X', t('frame.holdTheKindOfPlaceThePoint')],
  [t('frame.shiftDrag'), t('frame.catchMarksInABox')],
  ['Ctrl drag', t('frame.catchMarksInALoopDrawnBy')],
  ['Ctrl+A', t('frame.allMarksOfTheSelectedScopeOn')],
  ['Ctrl+C  X  V', t('frame.copyCutPasteMarksAlsoOntoAnother')],
  [t('frame.arrowKeys'), t('frame.panOrNudgeTheSelectedMarksFarther')],
  ['+  −  0', t('frame.zoomInOutWholeSheet')],
  ['[  ]', t('frame.previousAndNextSheet')],
];
