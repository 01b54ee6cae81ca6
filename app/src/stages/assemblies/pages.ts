import { t } from '../../messages/t.ts';

/** The three places where what is measured becomes material: the job's assemblies, the library, named figures. */
export const PAGES = {
  assemblies: {
    path: 'assemblies',
    name: t('assemblies.inThisJob'),
    goTo: t('frame.goTo', { name: t('frame.assemblies') }),
  },
  library: { path: 'library', name: t('assemblies.library'), goTo: t('frame.goToTheLibraryOfAssemblies') },
  figures: { path: 'figures', name: t('assemblies.figuresAndTables'), goTo: t('frame.goToFiguresAndTables') },
} as const;
