import { classes } from '../../theme/classes.ts';

/** The bid's paper on its desk, and what is chosen beside it. */
export const styles = classes({
  bid: {
    display: 'grid',
    gridTemplateColumns: 'minmax(0, 1fr) 400px',
    flex: 1,
    minHeight: 0,
    '@media (max-width: 1100px)': { gridTemplateColumns: 'minmax(0, 1fr) 320px' },
  },
  bidDesk: {
    bg: 'desk',
    overflow: 'auto',
    padding: '20px',
  },
  bidPaper: {
    bg: '#fff',
    color: '#18211c',
    width: '640px',
    minHeight: '828px',
    margin: '0 auto',
    padding: '48px 56px',
    boxShadow: '0 1px 5px rgb(0 0 0 / 25%)',
    fontSize: '12.5px',
    '& table': { width: '100%', borderCollapse: 'collapse', margin: '18px 0' },
    '& ul': { listStyle: 'disc' },
    '& td': { padding: '5px 0', borderBottom: '1px solid #d9d3c2' },
    '& td.right': { textAlign: 'right' },
    '& .total td': { fontWeight: 600, fontSize: '15px', borderBottom: '0', borderTop: '2px solid #18211c' },
  },
  bidLogo: { maxHeight: '56px', maxWidth: '200px', marginBottom: '6px' },
  bidSide: {
    bg: 'bg.panel',
    borderLeft: '1px solid',
    borderLeftColor: 'border',
    overflow: 'auto',
    padding: '14px',
    display: 'grid',
    gap: '14px',
    alignContent: 'start',
  },
  bidChoice: {
    display: 'flex',
    gap: '8px',
    alignItems: 'baseline',
    fontSize: '13px',
  },
});
