import { classes } from '../../theme/classes.ts';

/** The settings of a job in cards beside each other. */
export const styles = classes({
  page: {
    display: 'grid',
    gridTemplateColumns: 'repeat(auto-fit, minmax(330px, 1fr))',
    gap: '16px',
    alignContent: 'start',
    padding: '16px',
    maxWidth: '1240px',
  },
  card: {
    bg: 'bg.panel',
    border: '1px solid',
    borderColor: 'border',
    borderRadius: '8px',
    padding: '14px 16px',
    display: 'grid',
    gap: '12px',
    alignContent: 'start',
    '& h2': { fontSize: '14px', fontWeight: 600 },
    '& label > .soft': { fontSize: '13px' },
  },
  example: {
    borderTop: '1px solid',
    borderTopColor: 'border',
    paddingTop: '10px',
    display: 'grid',
    gap: '2px',
    '& b': { fontVariantNumeric: 'tabular-nums' },
  },
  rate: {
    display: 'grid',
    gridTemplateColumns: '1fr 90px auto',
    gap: '6px',
    alignItems: 'center',
  },
});
