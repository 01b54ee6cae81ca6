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
    '& label > .soft, & div > .soft': { fontSize: '13px' },
  },
  example: {
    borderTop: '1px solid',
    borderTopColor: 'border',
    paddingTop: '10px',
    display: 'grid',
    gap: '2px',
    '& b': { fontVariantNumeric: 'tabular-nums' },
  },
  logo: { display: 'flex', alignItems: 'center', gap: '10px', flexWrap: 'wrap', marginTop: '4px' },
  logoPicture: { maxHeight: '56px', maxWidth: '180px', bg: '#fff', padding: '4px', borderRadius: '4px' },
  sectionRow: { display: 'grid', gridTemplateColumns: '64px 1fr auto', gap: '6px', alignItems: 'center' },
  block: { display: 'grid', gap: '6px' },
  blockHead: { display: 'grid', gridTemplateColumns: '1fr 130px auto', gap: '6px', alignItems: 'center' },
  differences: {
    display: 'grid',
    gap: '2px',
    margin: '6px 0 8px',
    maxHeight: '260px',
    overflow: 'auto',
  },
  rate: {
    display: 'grid',
    gridTemplateColumns: '1fr 90px auto',
    gap: '6px',
    alignItems: 'center',
  },
});
