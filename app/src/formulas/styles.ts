import { classes } from '../theme/classes.ts';
import { TEXT_INPUT } from '../theme/recipes/fields.ts';

/** A formula while it is edited, and what is found and said about it. */
export const styles = classes({
  formulaEditor: {
    ...TEXT_INPUT.field,
    display: 'block',
    overflow: 'hidden',
    cursor: 'text',
    '&:focus-within': { outline: '2px solid', outlineColor: 'focus', outlineOffset: '1px' },
    '&[data-invalid]': { borderColor: 'border.error' },
    '&[data-look=cell]': { border: 0, borderRadius: 0, padding: 0, height: '21px', outline: 'none' },
    '&[data-align=end] .cm-content': { textAlign: 'end' },
    '& .cm-editor.cm-focused': { outline: 'none' },
    '& .cm-editor': { height: '100%', color: 'fg' },
    '& .cm-editor .cm-scroller': {
      fontFamily: 'inherit',
      lineHeight: '26px',
      overflow: 'hidden',
      alignItems: 'stretch !important',
    },
    '&[data-look=cell] .cm-editor .cm-scroller': { lineHeight: '21px' },
    '& .cm-editor .cm-content': { padding: 0, minWidth: 0, caretColor: 'var(--ink)' },
    '& .cm-editor .cm-line': { padding: 0 },
    '& .cm-editor .cm-placeholder': { color: 'fg.muted' },
    '& .cm-editor .mistake': {
      textDecoration: 'underline wavy var(--berry)',
      textUnderlineOffset: '3px',
    },
  },
  /** In a table, what is said stands below the cell, over the rows that follow. */
  floating: {
    position: 'fixed',
    zIndex: 1400,
    minWidth: '180px',
    maxWidth: '420px',
    bg: 'bg.panel',
    border: '1px solid',
    borderColor: 'border',
    borderRadius: '6px',
    boxShadow: 'float',
    padding: '4px 6px',
    fontSize: '13px',
    '&:empty': { display: 'none' },
  },
});

/** The list of names hangs outside of the page, where the editor puts it, under the class the editor gives it. */
export const list = classes({
  cmTooltipAutocomplete: {
    '&&&&': {
      zIndex: 1500,
      bg: 'bg.panel',
      color: 'fg',
      border: '1px solid',
      borderColor: 'border',
      borderRadius: '6px',
      boxShadow: 'float',
      fontSize: '13px',
    },
    '&&&& > ul': { fontFamily: 'body', maxHeight: '320px', minWidth: '300px', maxWidth: '420px' },
    '&&&& > ul > li': {
      display: 'flex',
      gap: '10px',
      alignItems: 'center',
      padding: '5px 10px',
      cursor: 'pointer',
    },
    '&&&& > ul > li[aria-selected]': { bg: 'zest.wash', color: 'fg' },
    '& .cm-completionLabel': { fontWeight: 600, whiteSpace: 'nowrap' },
    '& .cm-completionDetail': {
      color: 'fg.muted',
      fontStyle: 'normal',
      marginLeft: 0,
      overflow: 'hidden',
      textOverflow: 'ellipsis',
    },
    '& .kind': { color: 'fg.muted', fontSize: '12px', marginLeft: 'auto', whiteSpace: 'nowrap' },
  },
});
