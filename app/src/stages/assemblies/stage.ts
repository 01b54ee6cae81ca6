import { Boxes } from 'lucide-react';
import { t } from '../../messages/t.ts';
import type { Stage } from '../stage.ts';
import { PAGES } from './pages.ts';

export const stage: Stage = {
  path: 'assemblies',
  ofCompany: t('frame.assemblies'),
  name: t('frame.assemblies'),
  icon: Boxes,
  pages: [
    {
      ...PAGES.assemblies,
      record: ':assemblyId?',
      load: () => import('./AssembliesStage.tsx').then(({ AssembliesStage }) => AssembliesStage),
    },
    { ...PAGES.library, load: () => import('./LibraryPage.tsx').then(({ LibraryPage }) => LibraryPage) },
    { ...PAGES.figures, load: () => import('./FiguresPage.tsx').then(({ FiguresPage }) => FiguresPage) },
  ],
};
