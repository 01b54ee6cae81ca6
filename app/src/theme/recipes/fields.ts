import { defineRecipe, defineSlotRecipe } from '@chakra-ui/react';
import { checkboxAnatomy } from '@chakra-ui/react/anatomy';

/** Fields are as high as a row of a form: 28 px, and 13 px of text. */
const FIELD = {
  bg: 'bg.panel',
  color: 'fg',
  borderWidth: '1px',
  borderColor: 'border',
  borderRadius: '4px',
  fontSize: '13px',
  lineHeight: 'normal',
  _focusVisible: { outline: '2px solid', outlineColor: 'focus', outlineOffset: '1px' },
  _invalid: { borderColor: 'border.error' },
} as const;

const LINE = {
  ...FIELD,
  w: 'full',
  minW: 0,
  h: '28px',
  px: '7px',
  appearance: 'none',
  textAlign: 'start',
  outline: 'none',
  '&::placeholder': { color: 'fg.muted' },
  '&[aria-invalid=true]': { borderColor: 'border.error' },
  _disabled: { opacity: 0.5, cursor: 'not-allowed' },
} as const;

/**
 * The looks of a line of text. They are one class each for ever (see `system.ts`): a panel of twenty fields is drawn
 * with every key that is pressed, and working out styles for each would be felt.
 */
export const TEXT_INPUT = {
  field: LINE,
  /** Changed where it stands, without the look of a form. */
  bare: {
    ...LINE,
    bg: 'transparent',
    borderColor: 'transparent',
    color: 'fg.muted',
    ps: 0,
    _hover: { borderColor: 'border' },
    _focus: { borderColor: 'border' },
  },
  /** In a cell or a list that draws the frame itself. */
  cell: {
    ...LINE,
    borderWidth: 0,
    borderRadius: 0,
    p: 0,
    textAlign: 'inherit',
    _focusVisible: { outline: 'none' },
  },
} as const;

export const textarea = defineRecipe({
  variants: {
    variant: { outline: FIELD },
    size: { xs: { px: '7px', py: '3px', lineHeight: 1.4 } },
  },
});

/** One of a list: the field, and the sign over its end. */
export const SELECT = {
  position: 'relative',
  display: 'inline-flex',
  verticalAlign: 'middle',
  w: 'full',
  minW: 0,
  '& > select': {
    ...FIELD,
    w: 'full',
    minW: 0,
    h: '28px',
    ps: '7px',
    pe: '20px',
    appearance: 'none',
    cursor: 'pointer',
    textOverflow: 'ellipsis',
    _disabled: { opacity: 0.5, cursor: 'not-allowed' },
  },
  '& > select > option, & > select > optgroup': { bg: 'bg.panel' },
  '& > svg': {
    position: 'absolute',
    top: '50%',
    insetEnd: '4px',
    transform: 'translateY(-50%)',
    pointerEvents: 'none',
    color: 'fg.muted',
  },
  '&.small': { w: 'auto' },
  '&.small > select': { h: '24px', ps: '5px', pe: '18px', fontSize: '12px' },
} as const;

/** The box that is ticked, before the words that say what for. */
export const checkbox = defineSlotRecipe({
  slots: checkboxAnatomy.keys(),
  variants: {
    size: {
      xs: {
        root: { gap: '6px', verticalAlign: 'middle', cursor: 'pointer' },
        label: { fontSize: 'inherit', lineHeight: 'inherit', fontWeight: 'inherit', userSelect: 'auto' },
        control: { boxSize: '14px', bg: 'bg.panel', '&[data-state=unchecked]': { borderColor: 'fg.muted' } },
      },
    },
  },
});
