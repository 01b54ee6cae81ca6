import { classes } from '../theme/classes.ts';

/** The finder and the list of keys. */
export const styles = classes({
  finder: {
    position: 'fixed',
    inset: 0,
    bg: 'rgb(0 0 0 / 30%)',
    zIndex: 40,
    display: 'grid',
    justifyItems: 'center',
    alignItems: 'start',
    paddingTop: '10vh',
  },
  finderBox: {
    bg: 'bg.panel',
    border: '1px solid',
    borderColor: 'border',
    borderRadius: '8px',
    width: 'min(620px, 92vw)',
    boxShadow: 'float',
    overflow: 'hidden',
    '& input': {
      font: 'inherit',
      fontSize: '16px',
      width: '100%',
      border: 0,
      borderBottom: '1px solid',
      borderBottomColor: 'border',
      padding: '12px 16px',
      bg: 'transparent',
      color: 'fg',
      outline: 'none',
    },
  },
  keys: {
    display: 'grid',
    gridTemplateColumns: 'repeat(auto-fit, minmax(320px, 1fr))',
    gap: '0 40px',
    fontSize: '13px',
    alignItems: 'start',
    '& section': {
      display: 'grid',
      gridTemplateColumns: 'minmax(0, 1fr) auto',
      gap: '4px 16px',
      alignItems: 'center',
      marginBottom: '14px',
    },
    '& h3': { gridColumn: '1 / 3', fontWeight: 600 },
  },
});
