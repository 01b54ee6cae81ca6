import { classes } from '../../theme/classes.ts';

/** What is bought: the list, answers side by side, orders. */
export const styles = classes({
  orders: {
    display: 'grid',
    gridTemplateColumns: '200px minmax(0, 1fr)',
    flex: 1,
    minHeight: 0,
    '@media (max-width: 900px)': { gridTemplateColumns: '150px minmax(0, 1fr)' },
  },
  fields: { display: 'grid', gap: '14px', alignContent: 'start', minWidth: 0 },
  choices: { display: 'grid', gap: '4px', maxHeight: '240px', overflow: 'auto', fontSize: '13px' },
  addSupplier: { display: 'grid', gridTemplateColumns: 'minmax(0, 1fr) auto', gap: '10px' },
  told: { padding: '8px 14px' },
  offers: {
    padding: '0 14px 14px',
    fontSize: '13px',
    '& table': { borderCollapse: 'separate', borderSpacing: 0, width: '100%' },
    '& th, & td': {
      textAlign: 'left',
      verticalAlign: 'top',
      padding: '6px 10px',
      borderBottom: '1px solid',
      borderBottomColor: 'border',
      minWidth: '130px',
      fontWeight: 400,
    },
    '& thead th': { position: 'sticky', top: 0, bg: 'bg.subtle', fontWeight: 600, zIndex: 1 },
    '& th > span, & td > span, & button > span': { display: 'block', fontWeight: 400, fontSize: '12px' },
    '& thead .text-button, & thead a': { fontSize: '12px', marginRight: '10px', textDecoration: 'underline' },
    '& .right': { textAlign: 'right', fontVariantNumeric: 'tabular-nums' },
    '& td .bare-button': { display: 'block', width: '100%', textAlign: 'right' },
    '& .taken': { bg: 'chosen' },
    '& .least': { color: 'leaf', fontWeight: 600 },
    '& tfoot th, & tfoot td': { fontWeight: 600 },
  },
});
