import '@fontsource/ibm-plex-sans/400.css';
import '@fontsource/ibm-plex-sans/500.css';
import '@fontsource/ibm-plex-sans/600.css';
import './theme/zest.css';
import { createRoot } from 'react-dom/client';
import { App } from './App.tsx';
import { createServices } from './platform/services.ts';
import { purgeDeleted, seedDemo } from './storage/jobFiles.ts';
import { createCopyStore } from './stores/copyStore.ts';
import { createJobStore } from './stores/jobStore.ts';
import { browserIdle, createLookStore } from './stores/lookStore.ts';
import { createViewStore } from './stores/viewStore.ts';
import { t } from './messages/t.ts';

const root = document.getElementById('root');
if (root === null) throw new Error('main: the page has no root');

async function start(container: HTMLElement): Promise<void> {
  const view = createViewStore(localStorage);
  const services = await createServices({
    // Nothing can be shown of the jobs before the other tab lets go.
    onBlocked: () => {
      container.textContent = t('frame.zestLineIsOpenInAnotherTab');
    },
    onReplaced: () => view.setState({ replaced: true }),
  });
  await purgeDeleted(services);
  await seedDemo(services);
  const jobs = createJobStore(services);
  const look = createLookStore(jobs, services.now, browserIdle);
  const copies = createCopyStore(jobs, services);
  await copies.actions.start();
  const stores = { services, jobs, view, look, copies };
  createRoot(container).render(<App stores={stores} />);
}

start(root).catch((error: unknown) => {
  root.textContent = t('frame.zestLineCouldntOpenItsStorageIn', {
    part: error instanceof Error ? error.message : 'unknown',
  });
});
