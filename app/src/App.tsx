import { Button, ChakraProvider } from '@chakra-ui/react';
import { CacheProvider } from '@emotion/react';
import { Suspense, lazy, useEffect } from 'react';
import { Navigate, createBrowserRouter } from 'react-router';
import { RouterProvider } from 'react-router/dom';
import { Toasts } from './components/toaster.tsx';
import { JobFrame } from './frame/JobFrame.tsx';
import { StageFailed } from './frame/StageFailed.tsx';
import { cache } from './theme/cache.ts';
import { system } from './theme/system.ts';
import { JobsPage } from './stages/jobs/JobsPage.tsx';
import { StoresProvider, type Stores, useView } from './stores/context.tsx';
import { language, t } from './messages/t.ts';
import { layout } from './theme/layout.ts';

const SheetsStage = lazy(() =>
  import('./stages/sheets/SheetsStage.tsx').then((m) => ({ default: m.SheetsStage })),
);
const JoinPage = lazy(() => import('./stages/sheets/JoinPage.tsx').then((m) => ({ default: m.JoinPage })));
const MeasureStage = lazy(() =>
  import('./stages/measure/MeasureStage.tsx').then((m) => ({ default: m.MeasureStage })),
);
const AssembliesStage = lazy(() =>
  import('./stages/assemblies/AssembliesStage.tsx').then((m) => ({ default: m.AssembliesStage })),
);
const FiguresPage = lazy(() =>
  import('./stages/assemblies/FiguresPage.tsx').then((m) => ({ default: m.FiguresPage })),
);
const LibraryPage = lazy(() =>
  import('./stages/assemblies/LibraryPage.tsx').then((m) => ({ default: m.LibraryPage })),
);
const PricesStage = lazy(() =>
  import('./stages/prices/PricesStage.tsx').then((m) => ({ default: m.PricesStage })),
);
const EstimateStage = lazy(() =>
  import('./stages/estimate/EstimateStage.tsx').then((m) => ({ default: m.EstimateStage })),
);
const QuotesPage = lazy(() =>
  import('./stages/estimate/QuotesPage.tsx').then((m) => ({ default: m.QuotesPage })),
);
const ComparePage = lazy(() =>
  import('./stages/estimate/ComparePage.tsx').then((m) => ({ default: m.ComparePage })),
);
const ChartsPage = lazy(() =>
  import('./stages/estimate/ChartsPage.tsx').then((m) => ({ default: m.ChartsPage })),
);
const WagesPage = lazy(() => import('./stages/prices/WagesPage.tsx').then((m) => ({ default: m.WagesPage })));
const LookPage = lazy(() => import('./stages/look/LookPage.tsx').then((m) => ({ default: m.LookPage })));
const BidStage = lazy(() => import('./stages/bid/BidStage.tsx').then((m) => ({ default: m.BidStage })));

/** What goes wrong in a page stays in it: the frame, the total and the other pages go on. */
const stage = (content: React.ReactNode) => ({
  element: <Suspense fallback={null}>{content}</Suspense>,
  errorElement: <StageFailed />,
});

const router = createBrowserRouter([
  { path: '/', element: <Navigate to="/jobs" replace /> },
  { path: '/jobs', element: <JobsPage /> },
  {
    path: '/job/:jobId',
    element: <JobFrame />,
    errorElement: <StageFailed />,
    children: [
      { index: true, element: <Navigate to="sheets" replace /> },
      { path: 'sheets', ...stage(<SheetsStage />) },
      { path: 'join/:sheetId?', ...stage(<JoinPage />) },
      { path: 'measure/:sheetId?', ...stage(<MeasureStage />) },
      { path: 'assemblies/:assemblyId?', ...stage(<AssembliesStage />) },
      { path: 'figures', ...stage(<FiguresPage />) },
      { path: 'library', ...stage(<LibraryPage />) },
      { path: 'prices', ...stage(<PricesStage />) },
      { path: 'wages', ...stage(<WagesPage />) },
      { path: 'estimate', ...stage(<EstimateStage />) },
      { path: 'quotes', ...stage(<QuotesPage />) },
      { path: 'compare', ...stage(<ComparePage />) },
      { path: 'charts', ...stage(<ChartsPage />) },
      { path: 'look', ...stage(<LookPage />) },
      { path: 'bid', ...stage(<BidStage />) },
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
          <RouterProvider router={router} />
          <Toasts />
        </ChakraProvider>
      </CacheProvider>
    </StoresProvider>
  );
}
