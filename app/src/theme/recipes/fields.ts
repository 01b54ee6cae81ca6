import { defineRecipe, defineSlotRecipe } from '@chakra-ui/react';
import { checkboxAnatomy, nativeSelectAnatomy } from '@chakra-ui/react/anatomy';

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

export const input = defineRecipe({
  variants: {
    variant: {
      outline: { ...FIELD, '&::placeholder': { color: 'fg.muted' } },
    },
    size: { xs: { px: '7px', '--input-height': '28px' } },
  },
});

/** Changed where it stands, without the look of a form. */
export const BARE = {
  bg: 'transparent',
  borderColor: 'transparent',
  color: 'fg.muted',
  ps: 0,
  _hover: { borderColor: 'border' },
  _focus: { borderColor: 'border' },
} as const;

/** In a cell or a list that draws the frame itself. */
export const IN_CELL = {
  borderWidth: 0,
  borderRadius: 0,
  p: 0,
  textAlign: 'inherit',
  outline: 'none',
} as const;

export const textarea = defineRecipe({
  variants: {
    variant: { outline: FIELD },
    size: { xs: { px: '7px', py: '3px', lineHeight: 1.4 } },
  },
});

export const nativeSelect = defineSlotRecipe({
  slots: nativeSelectAnatomy.keys(),
  base: {
    root: { display: 'inline-flex', verticalAlign: 'middle' },
    field: { cursor: 'pointer', textOverflow: 'ellipsis' },
  },
  variants: {
    variant: { outline: { field: FIELD } },
    size: {
      xs: {
        root: { '--select-field-height': '28px' },
        field: { ps: '7px', pe: '20px' },
        indicator: { insetEnd: '4px', fontSize: '12px' },
      },
    },
  },
});

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
