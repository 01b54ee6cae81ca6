import { Button, ChakraProvider } from '@chakra-ui/react';
import { CacheProvider } from '@emotion/react';
import { Suspense, lazy, useEffect } from 'react';
import { Navigate, createBrowserRouter } from 'react-router';
import { RouterProvider } from 'react-router/dom';
import { Toasts } from './parts/toaster.tsx';
import { JobFrame } from './frame/JobFrame.tsx';
import { StageFailed } from './frame/StageFailed.tsx';
import { cache } from './theme/cache.ts';
import { system } from './theme/system.ts';
import { type Page, StagesProvider } from './stages/stage.ts';
import { STAGES } from './stages/stages.ts';
import { JobsPage } from './stages/jobs/JobsPage.tsx';
import { StoresProvider, type Stores, useView } from './stores/context.tsx';
import { language, t } from './messages/t.ts';
import { layout } from './theme/layout.ts';

/** What goes wrong in a page stays in it: the frame, the total and the other pages go on. */
function routeOf({ path, record, load }: Page) {
  const Content = lazy(() => load().then((content) => ({ default: content })));
  return {
    path: record === undefined ? path : `${path}/${record}`,
    element: (
      <Suspense fallback={null}>
        <Content />
      </Suspense>
    ),
    errorElement: <StageFailed />,
  };
}

const router = createBrowserRouter([
  { path: '/', element: <Navigate to="/jobs" replace /> },
  { path: '/jobs', element: <JobsPage /> },
  {
    path: '/job/:jobId',
    element: <JobFrame />,
    errorElement: <StageFailed />,
    children: [
      { index: true, element: <Navigate to="sheets" replace /> },
      ...STAGES.flatMap(({ pages }) => pages.map(routeOf)),
    ],
  },
  { path: '*', element: <Navigate to="/jobs" replace /> },
]);

function ThemeClass() {
  const theme = useView((state) => state.theme);
  useEffect(() => {
    document.documentElement.classList.toggle('dark', theme === 'dark');
    document.documentElement.style.colorScheme = theme;
    document.documentElement.lang = language;
  }, [theme]);
  return null;
}

/** Another tab runs a newer version, which has the store; what is shown here cannot be saved any more. */
function ReplacedBanner() {
  const replaced = useView((state) => state.replaced);
  if (!replaced) return null;
  return (
    <div className={`${layout.banner} bad`} role="alert">
      {t('frame.aNewerVersionOfZestLineIs')}
      <Button size="xs" onClick={() => location.reload()}>
        {t('frame.reload')}
      </Button>
    </div>
  );
}

export function App({ stores }: { readonly stores: Stores }) {
  return (
    <StoresProvider value={stores}>
      <CacheProvider value={cache}>
        <ChakraProvider value={system}>
          <ThemeClass />
          <ReplacedBanner />
          <StagesProvider value={STAGES}>
            <RouterProvider router={router} />
          </StagesProvider>
          <Toasts />
        </ChakraProvider>
      </CacheProvider>
    </StoresProvider>
  );
}
