import { unscaledSheets } from '@zest/core/doubts/sheets';
import { Button } from '@chakra-ui/react';
import { Trash2 } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
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
import { plural } from '../../messages/words.ts';
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
import { useSheetSearch } from './useSheetSearch.ts';
import { BareButton, IconButton, TextButton } from '../../parts/buttons.tsx';
import { Select, TextInput } from '../../parts/fields.tsx';
import { DropInput } from '../../parts/FileInput.tsx';

interface Reading {
  readonly name: string;
  readonly done: number;
  readonly total: number;
}

/** The sheets of the job: in they come, get their names and their scale. */
export function SheetsStage() {
  const { job } = useOpenJob();
  const { reading, add, cancel } = useAddPdfs();
  const sheets = useMemo(() => inOrder(job.sheet.values()), [job.sheet]);
  const sheetsBy = useView((state) => state.sheetsBy);
  const setView = useSetView();
  const [asTable, setAsTable] = useState(false);
  const [wanted, setWanted] = useState('');
  const search = useSheetSearch(sheets, wanted);
  const drop = useDropzone({ onDrop: (files) => void add(files), noClick: true, noKeyboard: true });
  return (
    <div className="stage" {...drop.getRootProps()}>
      <div className="bar">
        <h1>Sheets</h1>
        <span className="soft">{plural(sheets.length, 'sheet')}</span>
        {sheets.length === 0 ? null : (
          <TextInput
            style={{ width: 230 }}
            aria-label="Find sheets by name or by text on them"
            placeholder="Name, or text on the sheets"
            value={wanted}
            onChange={(event) => setWanted(event.target.value)}
          />
        )}
        <span className="soft" role="status">
          {search.progress}
        </span>
        <span className="grow" />
        {sheets.length === 0 || asTable ? null : (
          <label className="soft">
            Group by{' '}
            <Select
              style={{ width: 110 }}
              value={sheetsBy}
              onChange={(event) => setView({ sheetsBy: event.target.value as SheetGroup })}
            >
              {SHEET_GROUPS.map((group) => (
                <option key={group} value={group}>
                  {group}
                </option>
              ))}
            </Select>
          </label>
        )}
        {sheets.length === 0 ? null : (
          <Button size="sm" variant="outline" aria-pressed={asTable} onClick={() => setAsTable(!asTable)}>
            {asTable ? 'As pictures' : 'As a table'}
          </Button>
        )}
        <Button size="sm" onClick={drop.open}>
          Add drawings
        </Button>
      </div>
      <DropInput {...drop.getInputProps()} aria-label="PDF of the drawings" />
      <div className="scroll">
        {reading === undefined ? null : (
          <div className="progress" role="status">
            <div style={{ display: 'flex', gap: 10 }}>
              <span className="cut" style={{ flex: 1 }}>
                Reading {reading.name}: page {reading.done} of {reading.total === 0 ? '…' : reading.total}
              </span>
              <Button size="xs" variant="outline" onClick={cancel}>
                Cancel
              </Button>
            </div>
            <progress aria-label="Pages read" value={reading.done} max={Math.max(1, reading.total)} />
          </div>
        )}
        {sheets.length === 0 && reading === undefined ? (
          <div className="empty">
            <h2>No sheets yet</h2>
            <p>
              Drop drawings here: PDF sets of any length, or scans and photos as PNG, JPEG or TIFF. Each page
              becomes a sheet, with its number, title and scale read from its own text.
            </p>
            <div className="first">
              <Button size="sm" onClick={drop.open}>
                Choose drawings
              </Button>
            </div>
          </div>
        ) : (
          <div className={drop.isDragActive ? 'drop over' : 'drop'}>
            Drop more drawings anywhere on this page
          </div>
        )}
        {asTable && sheets.length > 0 ? (
          <div className="sheets-table">
            <Levels />
            <SheetsTable sheets={search.found} />
          </div>
        ) : (
          groupSheets(job, search.found, sheetsBy).map(([name, group]) => (
            <section key={name} aria-label={name === '' ? 'Sheets' : name}>
              {name === '' ? null : <h2 className="sheet-group">{name}</h2>}
              <div className="sheet-cards">
                {group.map((sheet) => (
                  <SheetCard key={sheet.id} sheet={sheet} hit={search.hits.get(sheet.id)} sought={wanted} />
                ))}
              </div>
            </section>
          ))
        )}
        {sheets.length > 0 && search.found.length === 0 ? (
          <div className="empty">
            <h2>No matching sheets</h2>
            <p>We searched numbers, titles and the text on the sheets. Scans have no text to search.</p>
          </div>
        ) : null}
      </div>
    </div>
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
      ? discipline || 'No discipline'
      : ((levelId === undefined ? undefined : job.level.get(levelId)?.name) ?? 'No level');
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
      tell(`Reading ${file.name} was canceled; no sheets were added.`);
      return;
    }
    const done = plan.ok
      ? actions.transact(`add ${plural(plan.value.count, 'sheet')}`, plan.value.command, plan.value.files)
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
  const actions = useJobActions();
  const navigate = useNavigate();
  const setView = useSetView();
  const { job, jobId } = useOpenJob();
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
    <article className="sheet-card" aria-label={`${sheet.number} ${sheet.title}`}>
      <BareButton className="sheet-thumb" onClick={open} aria-label={`Open ${sheet.number} ${sheet.title}`}>
        <Thumbnail sheet={sheet} />
      </BareButton>
      <div className="sheet-facts">
        <div className="sheet-names">
          <CommitInput
            label="Sheet number"
            value={sheet.number}
            onCommit={(number) => change('number a sheet', { number })}
          />
          <CommitInput
            label="Sheet title"
            value={sheet.title}
            onCommit={(title) => change('rename a sheet', { title })}
          />
          <IconButton
            aria-label={`Remove ${sheet.number} ${sheet.title}`}
            title="Remove the sheet and its marks"
            onClick={() => actions.transact(`remove sheet ${sheet.number}`, removeSheet(sheet.id))}
          >
            <Trash2 size={15} />
          </IconButton>
        </div>
        <div style={{ display: 'flex', gap: 8, alignItems: 'center' }}>
          <span className={`cut ${unscaledSheets(job).has(sheet) ? 'warn' : 'soft'}`} style={{ flex: 1 }}>
            {writeScale(sheet, numbers)}
          </span>
          <TextButton onClick={() => void navigate(`/job/${jobId}/join/${encodeURIComponent(sheet.id)}`)}>
            {sheet.join === undefined ? 'Join' : 'Join again'}
          </TextButton>
          <TextButton onClick={() => setScaling(true)}>
            {sheet.scale === null ? 'Set scale' : 'Change'}
          </TextButton>
        </div>
        <span className="soft cut" style={{ fontSize: 12, minHeight: 17 }}>
          {hit !== undefined
            ? `… ${hit} …`
            : error !== undefined
              ? writeError(error, numbers)
              : sheet.scale === null && sheet.printedScale !== ''
                ? `The sheet says ${sheet.printedScale}`
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
