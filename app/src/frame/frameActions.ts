import type { ListActions } from '../actions/action.ts';
import { tellRefused } from '../stores/tellRefused.ts';
import { t } from '../messages/t.ts';

/** What can be done wherever one is in a job. */
export const listFrameActions: ListActions = ({ stores: { jobs, view }, leaveTo }) => [
  {
    id: 'find',
    label: t('frame.findAnything'),
    key: 'Ctrl+K',
    run: () => view.setState({ finderOpen: true }),
  },
  {
    id: 'undo',
    label: t('frame.undo'),
    key: 'Ctrl+Z',
    run: () => tellRefused(jobs.actions.undo()),
  },
  {
    id: 'redo',
    label: t('frame.redo'),
    key: 'Ctrl+Shift+Z',
    run: () => tellRefused(jobs.actions.redo()),
  },
  {
    id: 'theme',
    label: t('frame.switchBetweenLightAndDark'),
    run: () => view.setState(({ theme }) => ({ theme: theme === 'dark' ? 'light' : 'dark' })),
  },
  { id: 'keys', label: t('frame.showTheKeys'), key: '?', run: () => view.setState({ keysOpen: true }) },
  { id: 'jobs', label: t('frame.allJobs'), run: () => leaveTo('/jobs') },
];
