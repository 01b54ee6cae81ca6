import { classes } from '../theme/classes.ts';

/** Where the desk and its zoom stand. */
export const styles = classes({
  deskFrame: {
    display: 'grid',
    gridTemplateRows: 'minmax(0, 1fr) auto',
    minWidth: 0,
    minHeight: 0,
    containerType: 'inline-size',
  },
  zoom: {
    position: 'absolute',
    right: '12px',
    bottom: '14px',
    bg: 'bg.panel',
    border: '1px solid',
    borderColor: 'border',
    borderRadius: '6px',
    display: 'grid',
  },
});
