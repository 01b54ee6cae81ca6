import { type SystemStyleObject, defineRecipe } from '@chakra-ui/react';

const FOCUS = { outline: '2px solid', outlineColor: 'focus', outlineOffset: '1px' } as const;

/** Chakra's button in our two sizes. */
export const button = defineRecipe({
  variants: {
    size: {
      sm: { h: '30px', px: '12px', fontSize: '13px' },
      xs: { h: '25px', px: '9px', fontSize: '12.5px' },
    },
  },
});

/** A button that looks like what it stands in: the row, the name or the figure that is pressed. */
export const bareButton: SystemStyleObject = {
  cursor: 'pointer',
  textAlign: 'start',
  font: 'inherit',
  color: 'inherit',
  _disabled: { cursor: 'default' },
  _focusVisible: { ...FOCUS, borderRadius: '3px' },
};

/** A step that is said in words, in a line of text. */
export const textButton: SystemStyleObject = {
  cursor: 'pointer',
  display: 'inline',
  textAlign: 'start',
  font: 'inherit',
  color: 'link',
  textDecoration: 'underline',
  textUnderlineOffset: '2px',
  _disabled: { color: 'fg.muted', cursor: 'default', textDecoration: 'none' },
  _focusVisible: { ...FOCUS, borderRadius: '2px' },
};

/** A small button that is a picture, with a word beside it where there is room. */
export const iconButton: SystemStyleObject = {
  cursor: 'pointer',
  display: 'inline-grid',
  placeItems: 'center',
  boxSize: '24px',
  flex: 'none',
  borderRadius: '4px',
  color: 'fg.muted',
  _hover: { color: 'fg', bg: 'bg.subtle' },
  _disabled: { opacity: 0.45, cursor: 'default' },
  _focusVisible: FOCUS,
  '&:has(.icon-word)': { display: 'inline-flex', alignItems: 'center', w: 'auto', px: '7px' },
};

/** One of a few short choices in a row. */
export const chip: SystemStyleObject = {
  cursor: 'pointer',
  fontSize: '12px',
  borderWidth: '1px',
  borderColor: 'border',
  borderRadius: '10px',
  px: '8px',
  py: '1px',
  bg: 'bg',
  _focusVisible: FOCUS,
};

/** A row of a list that is opened beside it. */
export const listButton: SystemStyleObject = {
  display: 'block',
  w: 'full',
  cursor: 'pointer',
  textAlign: 'start',
  px: '14px',
  py: '8px',
  borderBottomWidth: '1px',
  borderBottomColor: 'border',
  borderLeft: '4px solid transparent',
  _focusVisible: { ...FOCUS, outlineOffset: '-2px' },
  '&[aria-current=true]': { bg: 'chosen', borderLeftColor: 'zest', fontWeight: 600 },
  '& small': { display: 'block', color: 'fg.muted', fontWeight: 400, fontSize: '12px' },
};

/** A tool on the dock, or what is done with it. */
export const dockButton: SystemStyleObject = {
  cursor: 'pointer',
  whiteSpace: 'nowrap',
  px: '9px',
  py: '5px',
  borderRadius: '5px',
  display: 'flex',
  alignItems: 'center',
  gap: '5px',
  '&[aria-pressed=true]': { bg: 'rind.solid', color: 'white' },
  '&[aria-pressed=true] kbd': { bg: '#2c6a51', borderColor: '#2c6a51', color: 'white' },
  _disabled: { color: 'fg.muted', cursor: 'default' },
  _focusVisible: FOCUS,
};
