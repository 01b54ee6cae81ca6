import { classes } from '../../theme/classes.ts';

/** Price lists being read, wages and crews. */
export const styles = classes({
  sizingRow: {
    display: 'grid',
    gridTemplateColumns: '70px 1fr',
    gap: '6px',
    alignItems: 'center',
    marginTop: '4px',
  },
  importPreview: {
    overflow: 'auto',
    border: '1px solid',
    borderColor: 'border',
    maxHeight: '240px',
    '& th, & td': {
      maxWidth: '170px',
      minWidth: '90px',
      whiteSpace: 'nowrap',
      textAlign: 'left',
      fontWeight: 400,
    },
  },
  wages: {
    padding: '12px 18px 30px',
    '& section': { maxWidth: '900px', marginBottom: '22px' },
    '& h2': { fontSize: '15px', fontWeight: 600, margin: '0 0 2px' },
    '& p': { margin: '0 0 6px' },
    '& table + button': { marginTop: '8px' },
  },
  wageTable: {
    '& td': { maxWidth: '180px', verticalAlign: 'middle' },
  },
  crewBoxes: {
    display: 'grid',
    gridTemplateColumns: 'repeat(auto-fill, minmax(290px, 1fr))',
    gap: '10px',
    marginBottom: '8px',
  },
  crewBox: {
    padding: '8px 10px',
    display: 'grid',
    gap: '5px',
    alignContent: 'start',
    '& .bar-form': { flexWrap: 'wrap', whiteSpace: 'nowrap' },
  },
  crewRow: {
    display: 'grid',
    gridTemplateColumns: '48px minmax(0, 1fr) 24px',
    gap: '5px',
    alignItems: 'center',
    '&.machine': { gridTemplateColumns: '48px minmax(0, 1fr) 70px 24px' },
  },
});
