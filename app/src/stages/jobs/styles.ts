import { classes } from '../../theme/classes.ts';

/** The list of jobs, and where they are kept. */
export const styles = classes({
  jobs: {
    height: '100%',
    overflow: 'auto',
  },
  jobsHead: {
    bg: 'rind.solid',
    color: '#fff',
    padding: '22px 40px',
    display: 'flex',
    alignItems: 'center',
    gap: '14px',
    '& b': { fontSize: '20px', fontWeight: 600 },
  },
  jobsMain: {
    maxWidth: '1180px',
    margin: '0 auto',
    padding: '22px 24px 60px',
  },
  whereKept: {
    marginTop: '28px',
    paddingTop: '14px',
    borderTop: '1px solid',
    borderTopColor: 'border',
    fontSize: '13px',
    color: 'fg.muted',
    '& h2': { margin: '0 0 6px', fontSize: '14px', fontWeight: 600, color: 'fg' },
    '& p': { margin: '0 0 6px', display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: '4px 10px' },
  },
  jobsTable: {
    width: '100%',
    borderCollapse: 'collapse',
    bg: 'bg.panel',
    border: '1px solid',
    borderColor: 'border',
    '& th': {
      textAlign: 'left',
      fontWeight: 500,
      color: 'fg.muted',
      padding: '8px 12px',
      borderBottom: '1px solid',
      borderBottomColor: 'border',
      fontSize: '13px',
    },
    '& td': {
      padding: '10px 12px',
      borderBottom: '1px solid',
      borderBottomColor: 'border',
      verticalAlign: 'middle',
    },
    '& .right': { textAlign: 'right', whiteSpace: 'nowrap' },
    '@media (max-width: 900px)': { '& .jobs-client': { display: 'none' } },
  },
  twoJobs: {
    width: '100%',
    marginBottom: '10px',
    '& th, & td': { textAlign: 'left', padding: '4px 8px 4px 0', fontWeight: 400, verticalAlign: 'top' },
    '& th[scope=row]': { color: 'fg.muted' },
    '& thead th': { fontWeight: 600 },
  },
  jobsName: {
    width: '36%',
    maxWidth: '0',
  },
  jobsClient: {
    width: '22%',
    maxWidth: '0',
  },
  jobsOpen: {
    all: 'unset',
    cursor: 'pointer',
    fontWeight: 600,
    display: 'block',
    maxWidth: '100%',
    overflow: 'hidden',
    textOverflow: 'ellipsis',
    whiteSpace: 'nowrap',
    '&:hover': { textDecoration: 'underline' },
  },
});
