import { unscaledSheets } from '@zest/core/doubts/unscaledSheets';
import { Button } from '@chakra-ui/react';
import { Trash2 } from 'lucide-react';
import { type Dispatch, type SetStateAction, useEffect, useMemo, useRef, useState } from 'react';
import { useDropzone } from 'react-dropzone';
import { useNavigate } from 'react-router';
import { update } from '@zest/core/job/change';
import { removeSheet } from '@zest/core/job/commands/removeWith';
import { groupBy } from '@zest/core/job/groupBy';
import { type Job, inOrder } from '@zest/core/job/job';
import type { Sheet } from '@zest/core/job/records/sheet';
import { CommitInput } from '../../components/CommitInput.tsx';
import { tell, tellProblem } from '../../components/toaster.tsx';
import { useSettle } from '../../components/useSettle.ts';
import { describeProblem } from '../../messages/describeProblem.ts';
import { createSheetFiles, pictureKey } from '../../platform/sheetFiles.ts';
import {
  useFormats,
  useJobActions,
  useOpenJob,
  useServices,
  useSetView,
  useView,
} from '../../stores/context.tsx';
import { SHEET_GROUPS, type SheetGroup } from '../../stores/viewStore.ts';
import { ScaleDialog } from './ScaleDialog.tsx';
import { planDrawings } from './addDrawings.ts';
import { Levels } from './Levels.tsx';
import { SheetsTable } from './SheetsTable.tsx';
import { checkError, writeError, writeScale } from './scaleWords.ts';
import { type SheetSearch, useSheetSearch } from './useSheetSearch.ts';
import { BareButton, IconButton, TextButton } from '../../parts/buttons.tsx';
import { Select, TextInput } from '../../parts/fields.tsx';
import { DropInput } from '../../parts/FileInput.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { styles } from './styles.ts';
import { Empty } from '../../parts/Empty.tsx';

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
        {sheets.length === 0 ? null : (
          <TextInput
            style={{ width: 230 }}
            aria-label={t('sheets.findSheetsByNameOrByText')}
            placeholder={t('sheets.nameOrTextOnTheSheets')}
            value={wanted}
            onChange={(event) => setWanted(event.target.value)}
          />
        )}
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
      <progress aria-label={t('sheets.pagesRead')} value={reading.done} max={Math.max(1, reading.total)} />
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

interface SheetCardProps {
  readonly sheet: Sheet;
  /** What was found on it, and the words that were looked for. */
  readonly hit: string | undefined;
  readonly sought: string;
}

function SheetCard({ sheet, hit, sought }: SheetCardProps) {
  const settle = useSettle();
  const navigate = useNavigate();
  const setView = useSetView();
  const { jobId } = useOpenJob();
  const { numbers } = useFormats();
  const [scaling, setScaling] = useState(false);
  const open = (): void => {
    setView({ soughtText: hit === undefined ? '' : sought });
    void navigate(`/job/${jobId}/measure/${encodeURIComponent(sheet.id)}`);
  };
  const change = (label: string, changed: Partial<Sheet>): string | undefined => {
    return settle(
      label,
      update(sheet, (now) => ({ ...now, ...changed })),
    );
  };
  const error = checkError(sheet);
  return (
    <article className={styles.sheetCard} aria-label={`${sheet.number} ${sheet.title}`}>
      <BareButton
        className={styles.sheetThumb}
        onClick={open}
        aria-label={t('sheets.open', { number: sheet.number, title: sheet.title })}
      >
        <Thumbnail sheet={sheet} />
      </BareButton>
      <div className={styles.sheetFacts}>
        <CardNames sheet={sheet} change={change} />
        <CardScale sheet={sheet} setScaling={setScaling} />
        <span className="soft cut" style={{ fontSize: 12, minHeight: 17 }}>
          {hit !== undefined
            ? `… ${hit} …`
            : error !== undefined
              ? writeError(error, numbers)
              : sheet.scale === null && sheet.printedScale !== ''
                ? t('sheets.theSheetSays2', { printedScale: sheet.printedScale })
                : ''}
        </span>
      </div>
      {scaling ? (
        <ScaleDialog
          sheet={sheet}
          onClose={() => setScaling(false)}
          onPoints={() => {
            setView({ tool: 'scale' });
            open();
          }}
        />
      ) : null}
    </article>
  );
}

interface CardScaleProps {
  readonly sheet: Sheet;
  readonly setScaling: Dispatch<SetStateAction<boolean>>;
}

function CardScale({ sheet, setScaling }: CardScaleProps) {
  const { job, jobId } = useOpenJob();
  const { numbers } = useFormats();
  const navigate = useNavigate();
  return (
    <div style={{ display: 'flex', gap: 8, alignItems: 'center' }}>
      <span className={`cut ${unscaledSheets(job).has(sheet) ? 'warn' : 'soft'}`} style={{ flex: 1 }}>
        {writeScale(sheet, numbers)}
      </span>
      <TextButton onClick={() => void navigate(`/job/${jobId}/join/${encodeURIComponent(sheet.id)}`)}>
        {sheet.join === undefined ? t('sheets.join') : t('sheets.joinAgain')}
      </TextButton>
      <TextButton onClick={() => setScaling(true)}>
        {sheet.scale === null ? t('sheets.setScale') : t('sheets.change')}
      </TextButton>
    </div>
  );
}

interface CardNamesProps {
  readonly sheet: Sheet;
  readonly change: (label: string, changed: Partial<Sheet>) => string | undefined;
}

function CardNames({ sheet, change }: CardNamesProps) {
  const actions = useJobActions();
  return (
    <div className={styles.sheetNames}>
      <CommitInput
        label={t('sheets.sheetNumber')}
        value={sheet.number}
        onCommit={(number) => change(t('sheets.numberASheet'), { number })}
      />
      <CommitInput
        label={t('sheets.sheetTitle')}
        value={sheet.title}
        onCommit={(title) => change(t('sheets.renameASheet'), { title })}
      />
      <IconButton
        aria-label={t('sheets.remove', { number: sheet.number, title: sheet.title })}
        title={t('sheets.removeTheSheetAndItsMarks')}
        onClick={() =>
          actions.transact(t('sheets.removeSheet', { number: sheet.number }), removeSheet(sheet.id))
        }
      >
        <Trash2 size={15} />
      </IconButton>
    </div>
  );
}

function Thumbnail({ sheet }: { readonly sheet: Sheet }) {
  const services = useServices();
  const { jobId } = useOpenJob();
  const files = useMemo(() => createSheetFiles(services, jobId), [services, jobId]);
  const place = useRef<HTMLSpanElement>(null);
  const [url, setUrl] = useState<string | undefined>();
  const picture = pictureKey(sheet);
  useEffect(() => {
    let made: string | undefined;
    let gone = false;
    // Pictures are made for what comes into view first; a set of hundreds is never drawn at once.
    const watcher = new IntersectionObserver((entries) => {
      if (!entries.some(({ isIntersecting }) => isIntersecting)) return;
      watcher.disconnect();
      files.thumbnail(sheet).then(
        (blob) => {
          if (gone) return;
          made = URL.createObjectURL(blob);
          setUrl(made);
        },
        () => undefined,
      );
    });
    if (place.current !== null) watcher.observe(place.current);
    return () => {
      gone = true;
      watcher.disconnect();
      if (made !== undefined) URL.revokeObjectURL(made);
    };
    // The picture is of the page; names and scale do not change it.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [files, picture]);
  return (
    <span ref={place} style={{ display: 'block', height: '100%' }}>
      {url === undefined ? null : <img src={url} alt="" />}
    </span>
  );
}
