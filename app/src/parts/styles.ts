import { classes } from '../theme/classes.ts';

/** Parts that several pages share. */
export const styles = classes({
  searchList: {
    position: 'absolute',
    top: '30px',
    zIndex: 20,
    boxShadow: 'float',
    maxHeight: '320px',
    overflow: 'auto',
  },
  listFolder: {
    fontSize: '12px',
    fontWeight: 600,
    color: 'fg.muted',
    padding: '10px 14px 3px',
    margin: 0,
  },
  iconWord: {
    marginLeft: '5px',
    fontSize: '12.5px',
    '@media (max-width: 1000px)': { display: 'none' },
  },
  tabs: {
    display: 'flex',
    gap: '4px',
    '& a': {
      padding: '4px 10px',
      borderRadius: '4px',
      color: 'fg.muted',
      textDecoration: 'none',
      whiteSpace: 'nowrap',
    },
    '& a.active': { bg: 'zest.wash', color: 'fg', fontWeight: 600, boxShadow: 'inset 0 -2px 0 var(--zest)' },
    '& a:focus-visible': { outline: '2px solid', outlineColor: 'zest.ink' },
  },
  dragItem: {
    display: 'grid',
    gridTemplateColumns: '16px minmax(0, 1fr)',
    gap: '2px',
    marginBottom: '6px',
    position: 'relative',
    '&.drop-here': { boxShadow: '0 2px 0 var(--zest)' },
  },
  dragHandle: {
    width: '16px',
    cursor: 'grab',
    touchAction: 'none',
    alignSelf: 'start',
    marginTop: '8px',
  },
});
