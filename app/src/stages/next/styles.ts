import { classes } from '../../theme/classes.ts';

/** The steps from drawings to a bid, one under the other. */
export const styles = classes({
  steps: {
    listStyle: 'none',
    margin: 0,
    padding: '16px',
    display: 'grid',
    gap: '8px',
    alignContent: 'start',
    maxWidth: '860px',
  },
  step: {
    display: 'grid',
    gridTemplateColumns: '30px minmax(0, 1fr) auto',
    gap: '12px',
    alignItems: 'center',
    bg: 'bg.panel',
    border: '1px solid',
    borderColor: 'border',
    borderRadius: '8px',
    padding: '10px 14px',
    '&[aria-current=step]': { borderColor: 'rind', borderWidth: '2px' },
    '& h2': { fontSize: '14px', fontWeight: 600 },
    '& h2 .soft': { fontWeight: 400, marginLeft: '6px' },
    '& p': { fontSize: '13px', margin: 0 },
  },
  place: {
    width: '26px',
    height: '26px',
    borderRadius: '13px',
    border: '1px solid',
    borderColor: 'border',
    display: 'grid',
    placeItems: 'center',
    fontVariantNumeric: 'tabular-nums',
  },
  done: {
    width: '26px',
    height: '26px',
    borderRadius: '13px',
    bg: 'rind.solid',
    color: '#fff',
    display: 'grid',
    placeItems: 'center',
  },
});
