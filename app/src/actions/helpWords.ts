import { t } from '../messages/t.ts';

/** What people call a thing beside its name here, and where it is. */
export interface HelpEntry {
  readonly label: string;
  /** More words it is found by. */
  readonly words: string;
  readonly path: string;
}

/** Places by what one would ask for: 'material list', 'supplier', 'hours'. */
export const HELP: readonly HelpEntry[] = [
  { label: t('help.materialList'), words: t('help.materialListWords'), path: 'reports/materials-by-part' },
  { label: t('help.supplier'), words: t('help.supplierWords'), path: 'prices' },
  { label: t('help.hours'), words: t('help.hoursWords'), path: 'reports/hours-by-craft' },
  { label: t('help.wages'), words: t('help.wagesWords'), path: 'wages' },
  { label: t('help.markup'), words: t('help.markupWords'), path: 'estimate' },
  { label: t('help.tax'), words: t('help.taxWords'), path: 'settings' },
  { label: t('help.units'), words: t('help.unitsWords'), path: 'settings' },
  { label: t('help.logo'), words: t('help.logoWords'), path: 'settings' },
  { label: t('help.options'), words: t('help.optionsWords'), path: 'compare' },
  { label: t('help.quotes'), words: t('help.quotesWords'), path: 'quotes' },
  { label: t('help.scale'), words: t('help.scaleWords'), path: 'measure' },
  { label: t('help.schedule'), words: t('help.scheduleWords'), path: 'measure' },
  { label: t('help.openings'), words: t('help.openingsWords'), path: 'measure' },
  { label: t('help.waste'), words: t('help.wasteWords'), path: 'assemblies' },
  { label: t('help.difficulty'), words: t('help.difficultyWords'), path: 'figures' },
  { label: t('help.files'), words: t('help.filesWords'), path: 'bid' },
  { label: t('help.documents'), words: t('help.documentsWords'), path: 'bid' },
  { label: t('help.evidence'), words: t('help.evidenceWords'), path: 'bid' },
  { label: t('help.ask'), words: t('help.askWords'), path: 'orders' },
  { label: t('help.check'), words: t('help.checkWords'), path: 'look' },
  { label: t('help.exclusions'), words: t('help.exclusionsWords'), path: 'bid' },
];
