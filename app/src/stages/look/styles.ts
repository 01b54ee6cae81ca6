import { classes } from '../../theme/classes.ts';

/** The doubts of second look. */
export const styles = classes({
  lookRule: {
    maxWidth: '1100px',
    marginBottom: '14px',
    '& h2': { fontSize: '14px', fontWeight: 600, margin: '0 0 2px' },
    "&[aria-label='Accepted'] .doubt": { borderLeftColor: 'leaf' },
  },
  doubt: {
    display: 'grid',
    gridTemplateColumns: '250px minmax(0, 1fr) auto',
    gap: '12px',
    alignItems: 'start',
    padding: '5px 8px',
    bg: 'bg.panel',
    borderBottom: '1px solid',
    borderBottomColor: 'border',
    borderLeft: '3px solid',
    borderLeftColor: 'pomelo',
    fontSize: '13px',
    '@media (max-width: 900px)': { gridTemplateColumns: '150px minmax(0, 1fr) minmax(90px, 160px)' },
  },
  doubtName: {
    textAlign: 'left',
    overflowWrap: 'anywhere',
  },
  doubtAnswers: {
    display: 'flex',
    gap: '6px',
    justifyContent: 'flex-end',
    flexWrap: 'wrap',
    '@media (min-width: 901px)': { minWidth: '150px' },
  },
});
