import { Button } from '@chakra-ui/react';
import { type Dispatch, type SetStateAction, useMemo, useRef, useState } from 'react';
import { useDropzone } from 'react-dropzone';
import { groupBy } from '@zest/core/job/groupBy';
import { type Job, inOrder } from '@zest/core/job/job';
import type { Sheet } from '@zest/core/job/records/sheet';
import { tell, tellProblem } from '../../parts/toaster.tsx';
import { describeProblem } from '../../messages/describeProblem.ts';
import { useJobActions, useOpenJob, useServices, useSetView, useView } from '../../stores/context.tsx';
import { SHEET_GROUPS, type SheetGroup } from '../../stores/viewStore.ts';
import { planDrawings } from './addDrawings.ts';
import { Levels } from './Levels.tsx';
import { SheetsTable } from './SheetsTable.tsx';
import { type SheetSearch, useSheetSearch } from './useSheetSearch.ts';
import { Select, TextInput } from '../../parts/fields.tsx';
import { DropInput } from '../../parts/FileInput.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { styles } from './styles.ts';
import { Empty } from '../../parts/Empty.tsx';
import { SheetCard } from './SheetCard.tsx';
import { Progress } from '../../parts/Progress.tsx';

interface Reading {
  readonly name: string;
  readonly done: number;
  readonly total: number;
}

const GROUP_WORDS: Readonly<Record<SheetGroup, string>> = {
  nothing: t('sheets.groupedByNothing'),
  discipline: t('sheets.groupedByDiscipline'),
  level: t('sheets.groupedByLevel'),
};

/** The sheets of the job: in they come, get their names and their scale. */
export function SheetsStage() {
  const { job } = useOpenJob();
  const { reading, add, cancel } = useAddPdfs();
  const sheets = useMemo(() => inOrder(job.sheet.values()), [job.sheet]);
  const sheetsBy = useView((state) => state.sheetsBy);
  const [asTable, setAsTable] = useState(false);
  const [wanted, setWanted] = useState('');
  const search = useSheetSearch(sheets, wanted);
  const drop = useDropzone({ onDrop: (files) => void add(files), noClick: true, noKeyboard: true });
  return (
    <div className={layout.stage} {...drop.getRootProps()}>
      <div className={layout.bar}>
        <h1>{t('sheets.sheets')}</h1>
        <span className="soft">{t('count.sheet', { count: sheets.length })}</span>
        {sheets.length === 0 ? null : <SearchSheets wanted={wanted} setWanted={setWanted} />}
        <span className="soft" role="status">
          {search.progress}
        </span>
        <span className="grow" />
        <GroupChoice sheets={sheets} asTable={asTable} sheetsBy={sheetsBy} />
        {sheets.length === 0 ? null : (
          <Button size="sm" variant="outline" aria-pressed={asTable} onClick={() => setAsTable(!asTable)}>
            {asTable ? t('sheets.asPictures') : t('sheets.asATable')}
          </Button>
        )}
        <Button size="sm" onClick={drop.open}>
          {t('sheets.addDrawings')}
        </Button>
      </div>
      <DropInput {...drop.getInputProps()} target="drawings" aria-label={t('sheets.pDFOfTheDrawings')} />
      <div className={layout.scroll}>
        <ReadingProgress reading={reading} cancel={cancel} />
        {sheets.length === 0 && reading === undefined ? (
          <Empty
            title={t('sheets.noSheetsYet')}
            action={
              <Button size="sm" onClick={drop.open}>
                {t('sheets.chooseDrawings')}
              </Button>
            }
          >
            {t('sheets.dropDrawingsHerePdfSetsOfAny')}
          </Empty>
        ) : (
          <div className={drop.isDragActive ? `${layout.drop} over` : layout.drop}>
            {t('sheets.dropMoreDrawingsAnywhereOnThisPage')}
          </div>
        )}
        <SheetsShown asTable={asTable} sheets={sheets} search={search} sheetsBy={sheetsBy} wanted={wanted} />
        {sheets.length > 0 && search.found.length === 0 ? (
          <Empty title={t('sheets.noMatchingSheets')}>{t('sheets.weSearchedNumbersTitlesAndTheText')}</Empty>
        ) : null}
      </div>
    </div>
  );
}

interface SearchSheetsProps {
  readonly wanted: string;
  readonly setWanted: Dispatch<SetStateAction<string>>;
}

function SearchSheets({ wanted, setWanted }: SearchSheetsProps) {
  return (
    <TextInput
      style={{ width: 230 }}
      aria-label={t('sheets.findSheetsByNameOrByText')}
      placeholder={t('sheets.nameOrTextOnTheSheets')}
      value={wanted}
      onChange={(event) => setWanted(event.target.value)}
    />
  );
}

interface SheetsShownProps {
  readonly asTable: boolean;
  readonly sheets: readonly Sheet[];
  readonly search: SheetSearch;
  readonly sheetsBy: 'level' | 'discipline' | 'nothing';
  readonly wanted: string;
}

function SheetsShown({ asTable, sheets, search, sheetsBy, wanted }: SheetsShownProps) {
  const { job } = useOpenJob();
  return asTable && sheets.length > 0 ? (
    <div className={styles.sheetsTable}>
      <Levels />
      <SheetsTable sheets={search.found} />
    </div>
  ) : (
    groupSheets(job, search.found, sheetsBy).map(([name, group]) => (
      <section key={name} aria-label={name === '' ? t('sheets.sheets') : name}>
        {name === '' ? null : <h2 className={styles.sheetGroup}>{name}</h2>}
        <div className={styles.sheetCards}>
          {group.map((sheet) => (
            <SheetCard key={sheet.id} sheet={sheet} hit={search.hits.get(sheet.id)} sought={wanted} />
          ))}
        </div>
      </section>
    ))
  );
}

interface ReadingProgressProps {
  readonly reading: Reading | undefined;
  readonly cancel: () => void;
}

function ReadingProgress({ reading, cancel }: ReadingProgressProps) {
  return reading === undefined ? null : (
    <div className={styles.progress} role="status">
      <div style={{ display: 'flex', gap: 10 }}>
        <span className="cut" style={{ flex: 1 }}>
          {t('sheets.readingPageOf', {
            name: reading.name,
            done: reading.done,
            part: reading.total === 0 ? '…' : reading.total,
          })}
        </span>
        <Button size="xs" variant="outline" onClick={cancel}>
          {t('sheets.cancel')}
        </Button>
      </div>
      <Progress label={t('sheets.pagesRead')} done={reading.done} total={reading.total} />
    </div>
  );
}

interface GroupChoiceProps {
  readonly sheets: readonly Sheet[];
  readonly asTable: boolean;
  readonly sheetsBy: 'level' | 'discipline' | 'nothing';
}

function GroupChoice({ sheets, asTable, sheetsBy }: GroupChoiceProps) {
  const setView = useSetView();
  return sheets.length === 0 || asTable ? null : (
    <label className="soft">
      {t('sheets.groupBy')}{' '}
      <Select
        style={{ width: 110 }}
        value={sheetsBy}
        onChange={(event) => setView({ sheetsBy: event.target.value as SheetGroup })}
      >
        {SHEET_GROUPS.map((group) => (
          <option key={group} value={group}>
            {GROUP_WORDS[group]}
          </option>
        ))}
      </Select>
    </label>
  );
}

/** Sheets under the name of what they are grouped by, in their own order; one group without a name for none. */
function groupSheets(
  job: Job,
  sheets: readonly Sheet[],
  by: SheetGroup,
): readonly (readonly [name: string, sheets: readonly Sheet[]])[] {
  if (by === 'nothing') return [['', sheets]];
  const nameOf = ({ discipline, levelId }: Sheet): string =>
    by === 'discipline'
      ? discipline || t('sheets.noDiscipline')
      : ((levelId === undefined ? undefined : job.level.get(levelId)?.name) ?? t('sheets.noLevel'));
  return [...groupBy(sheets, nameOf)];
}

function useAddPdfs() {
  const services = useServices();
  const actions = useJobActions();
  const { job } = useOpenJob();
  const [reading, setReading] = useState<Reading | undefined>();
  const canceled = useRef(false);
  const addOne = async (file: File): Promise<void> => {
    setReading({ name: file.name, done: 0, total: 0 });
    const plan = await planDrawings(services, job, file, (done, total) => {
      setReading({ name: file.name, done, total });
      return !canceled.current;
    });
    if (plan === 'canceled') {
      tell(t('sheets.readingWasCanceledNoSheetsWereAdded', { name: file.name }));
      return;
    }
    const done = plan.ok
      ? actions.transact(
          t('sheets.add', { sheets: t('count.sheet', { count: plan.value.count }) }),
          plan.value.command,
          plan.value.files,
        )
      : plan;
    if (!done.ok) tellProblem(`${file.name}: ${describeProblem(done.problem)}`);
  };
  return {
    reading,
    cancel: () => {
      canceled.current = true;
    },
    add: async (files: readonly File[]): Promise<void> => {
      canceled.current = false;
      for (const file of files) if (!canceled.current) await addOne(file);
      setReading(undefined);
    },
  };
}
