import type { Job } from '@zest/core/job/job';
import type { NumberFormat } from '@zest/core/units/numberFormat';
import type { JobActions } from '../../stores/jobStore.ts';
import { Button } from '@chakra-ui/react';
import { type Dispatch, type SetStateAction, useState } from 'react';
import { evaluateEntry } from '@zest/core/formula/evaluateEntry';
import { plainToLocal } from '@zest/core/formula/localize';
import { put } from '@zest/core/job/change';
import { settingsOf } from '@zest/core/job/job';
import type { ScaleArea, Sheet, SheetScale } from '@zest/core/job/records/sheet';
import { findScaleArea } from '@zest/core/job/scaleAt';
import { worldDistance } from '@zest/core/geometry/ground';
import {
  type KnownDistance,
  type ScaleProblem,
  ratioOfScale,
  runsAcross,
  scaleError,
  scaleOfTwoDistances,
  scaleOfTwoPoints,
} from '@zest/core/takeoff/scale';
import { findScaleDoubt } from '@zest/core/takeoff/scaleDoubt';
import type { Point } from '@zest/core/geometry/point';
import { type Result, accept } from '@zest/core/problem/result';
import { POINT_FORMAT } from '@zest/core/units/numberFormat';
import { LENGTH } from '@zest/core/units/dimension';
import { type Display, findDefaultUnit, formatQuantity, joinFigure } from '@zest/core/units/format';
import { describeEntry, describeProblem } from '../../messages/describeProblem.ts';
import { ScaleDialog } from '../../stages/sheets/ScaleDialog.tsx';
import { checkError } from '@zest/core/takeoff/checkError';
import { describeScaleDoubt, writeError } from '../../stages/sheets/scaleWords.ts';
import { keepTyped } from '@zest/core/formula/readTyped';
import { useFormats, useJobActions, useOpenJob, useSetView, useView } from '../../stores/context.tsx';
import type { Session } from '../session.ts';
import { useSessionState } from '../useSession.ts';
import { PartNote } from './PartNote.tsx';
import { PrintedScales, usePrintedScales } from './PrintedScales.tsx';
import { SoughtNote } from './SoughtNote.tsx';
import { StraightenNote } from './StraightenNote.tsx';
import { TextInput } from '../../parts/fields.tsx';
import { Checkbox } from '../../parts/Checkbox.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';
import type { Tool } from '../../stores/viewStore.ts';
import { Refusal } from '../../parts/Refusal.tsx';

/** The note on the desk that leads through setting the scale and measuring it back. */
export function ScaleNote({ sheet, session }: { readonly sheet: Sheet; readonly session: Session }) {
  const [typing, setTyping] = useState(false);
  const setView = useSetView();
  const tool = useView((state) => state.tool);
  const sought = useView((state) => state.soughtText);
  if (tool === 'scale' || tool === 'check') return <TwoPointNote sheet={sheet} session={session} />;
  if (tool === 'schedule')
    return (
      <div className={styles.deskNote} role="note">
        <b>{t('workspace.readASchedule')}</b> {t('workspace.dragABoxAroundTheTableIncluding')}
      </div>
    );
  if (tool === 'straighten' || tool === 'level' || tool === 'crop') return <StraightenNote sheet={sheet} />;
  if (tool === 'part') return <PartNote sheet={sheet} />;
  if (sought !== '') return <SoughtNote sheet={sheet} />;
  if (sheet.scale !== null) return null;
  return (
    <div className={styles.deskNote} role="note">
      <b>{t('workspace.hasNoScale', { number: sheet.number || t('workspace.thisSheet') })}</b>{' '}
      {t('workspace.youCanCountButLengthsAndAreas')}
      <div className="row">
        <PrintedScales sheet={sheet} />
        <Button size="xs" variant="outline" onClick={() => setView({ tool: 'scale' })}>
          {t('workspace.twoPoints')}
        </Button>
        <Button size="xs" variant="outline" onClick={() => setTyping(true)}>
          {t('workspace.typeAScale')}
        </Button>
      </div>
      {typing ? (
        <ScaleDialog
          sheet={sheet}
          onClose={() => setTyping(false)}
          onPoints={() => {
            setTyping(false);
            setView({ tool: 'scale' });
          }}
        />
      ) : null}
    </div>
  );
}

function TwoPointNote({ sheet, session }: { readonly sheet: Sheet; readonly session: Session }) {
  const tool = useView((state) => state.tool);
  const two = useSessionState(session, (state) => state.two);
  const words = tool === 'scale' ? t('workspace.setTheScale') : t('workspace.measureBack');
  if (tool === 'check' && sheet.scale === null)
    return (
      <div className={styles.deskNote} role="note">
        <b>{t('workspace.measureBack2')}</b> {t('workspace.theSheetHasNoScaleToCheck')}
      </div>
    );
  if (two.b === undefined)
    return (
      <div className={styles.deskNote} role="note">
        <b>{words}.</b>{' '}
        {two.a === undefined
          ? t('workspace.clickOneEndOfADimensionYou')
          : t('workspace.nowClickItsOtherEndHoldShift')}
      </div>
    );
  return <LengthForm key={`${two.b.x} ${two.b.y}`} sheet={sheet} session={session} />;
}

function LengthForm({ sheet, session }: { readonly sheet: Sheet; readonly session: Session }) {
  const { display, numbers } = useFormats();
  const { job } = useOpenJob();
  const actions = useJobActions();
  const [text, setText] = useState('');
  const [refusal, setRefusal] = useState<string | undefined>();
  const [done, setDone] = useState<string | undefined>();
  const [asked, setAsked] = useState<string | undefined>();
  const [both, setBoth] = useState(true);
  const tool = useView((state) => state.tool);
  const two = useSessionState(session, (state) => state.two);
  const printed = usePrintedScales(sheet).map((each) => each.text);
  const { a, b } = two;
  if (a === undefined || b === undefined) return null;
  const part = findScaleArea(sheet, a);
  // Within a part it is the part's scale that is set, and by which the points read.
  const inPart = part !== undefined && part === findScaleArea(sheet, b) ? part : undefined;
  const now = inPart?.scale ?? sheet.scale;
  const other = tool === 'scale' && inPart === undefined ? otherWay(sheet, a, b) : undefined;
  const reads = now === null ? undefined : worldDistance(a, b, now);
  const isScan = job.file.get(sheet.fileId)?.mediaType !== 'application/pdf';
  const points = { a, b, inPart, reads, tool, other: other !== undefined && both ? other : undefined };
  const submit = (): void => {
    const taken = takeLength(
      { sheet, job, actions, display, numbers, printed, isScan },
      points,
      text,
      asked === text,
    );
    if (taken.asks) setAsked(text);
    setRefusal(taken.refusal);
    if (taken.done !== undefined) setDone(taken.done);
  };
  const error = checkError(sheet);
  return (
    <div className={styles.deskNote} role="note">
      {done === undefined ? (
        <form
          onSubmit={(event) => {
            event.preventDefault();
            submit();
          }}
        >
          <LengthField tool={tool} text={text} refusal={refusal} setText={setText} session={session} />
          <ReadsNow reads={reads} />
          <KeepOther other={other} both={both} setBoth={setBoth} />
          <Refusal>{refusal}</Refusal>
          <LengthButtons tool={tool} session={session} />
        </form>
      ) : (
        <ScaleDone tool={tool} error={error} sheet={sheet} done={done} />
      )}
    </div>
  );
}

/** What the two points read at the present scale. */
function ReadsNow({ reads }: { readonly reads: number | undefined }) {
  const { display } = useFormats();
  if (reads === undefined) return null;
  return (
    <div className="soft">
      {t('workspace.itReadsAtThePresentScale', {
        value: joinFigure(formatQuantity(reads, LENGTH, display)),
      })}
    </div>
  );
}

interface KeepOtherProps {
  readonly other: Drawn | undefined;
  readonly both: boolean;
  readonly setBoth: (on: boolean) => void;
}

function KeepOther({ other, both, setBoth }: KeepOtherProps) {
  return other === undefined ? null : (
    <Checkbox className="row" checked={both} onChange={setBoth}>
      <span>{t('workspace.keepInTheOtherDirectionTheSheet', { text: other.text })}</span>
    </Checkbox>
  );
}

interface ScaleDoneProps {
  readonly tool: Tool;
  readonly error: number | undefined;
  readonly sheet: Sheet;
  readonly done: string;
}

function ScaleDone({ tool, error, sheet, done }: ScaleDoneProps) {
  const setView = useSetView();
  return (
    <>
      <span
        role="status"
        className={tool === 'check' && error !== undefined && Math.abs(error) > 0.005 ? 'warn' : ''}
      >
        <b>
          {tool === 'check' ? `${sheet.number}: ` : ''}
          {done}
        </b>
      </span>
      <div className="row">
        {tool === 'scale' ? (
          <Button size="xs" onClick={() => setView({ tool: 'check' })}>
            {t('workspace.measureBack')}
          </Button>
        ) : null}
        <Button size="xs" variant="outline" onClick={() => setView({ tool: 'select' })}>
          {t('workspace.done')}
        </Button>
      </div>
    </>
  );
}

interface LengthButtonsProps {
  readonly tool: Tool;
  readonly session: Session;
}

function LengthButtons({ tool, session }: LengthButtonsProps) {
  return (
    <div className="row">
      <Button size="xs" type="submit">
        {tool === 'scale' ? t('workspace.setTheScale') : t('workspace.check')}
      </Button>
      <Button size="xs" variant="outline" onClick={() => session.pickAgain()}>
        {t('workspace.pickAgain')}
      </Button>
    </div>
  );
}

interface TwoPoints {
  readonly a: Point;
  readonly b: Point;
  /** The part both lie in, whose scale is set then. */
  readonly inPart: ScaleArea | undefined;
  /** What they read at the present scale, m. */
  readonly reads: number | undefined;
  readonly tool: string;
  /** The length across them that keeps a scale of its own. */
  readonly other: ReturnType<typeof otherWay>;
}

interface LengthContext {
  readonly sheet: Sheet;
  readonly job: Job;
  readonly actions: JobActions;
  readonly display: Display;
  readonly numbers: NumberFormat;
  /** Every scale the sheet prints. */
  readonly printed: readonly string[];
  /** Paper that went through a scanner: each way has a scale of its own. */
  readonly isScan: boolean;
}

interface LengthTaken {
  readonly refusal?: string;
  readonly done?: string;
  /** It is refused once: given again, it is meant. */
  readonly asks: boolean;
}

const refused = (refusal: string): LengthTaken => ({ asks: false, refusal });

/** Takes the real length of two points: as the scale of the sheet or its part, or to check it. */
function takeLength(
  { sheet, job, actions, display, numbers, printed, isScan }: LengthContext,
  { a, b, inPart, reads, tool, other }: TwoPoints,
  text: string,
  isMeant: boolean,
): LengthTaken {
  const check = (kept: string, knownM: number): LengthTaken => {
    if (reads === undefined || knownM <= 0) return refused(t('workspace.theKnownLengthMustBeMoreThan'));
    const changed = actions.transact(
      t('workspace.measureBack3'),
      put({ ...sheet, check: { a, b, text: withUnit(kept, job) } }),
    );
    if (!changed.ok) return refused(describeProblem(changed.problem));
    return { asks: false, done: writeError(scaleError(reads, knownM), numbers) };
  };
  const known = evaluateEntry(text, LENGTH, findDefaultUnit(LENGTH, settingsOf(job).unitSystem), numbers);
  if (!known.ok) return refused(describeEntry(known.problem));
  const typed = keepTyped(text, numbers);
  if (!typed.ok) return refused(describeEntry(typed.problem));
  const kept = typed.value;
  if (tool === 'check') return check(kept, known.value);
  const drawn = { a, b, text: withUnit(kept, job) };
  const scale = other !== undefined ? scaleBothWays(drawn, other) : scaleOneWay(drawn, known.value);
  if (!scale.ok) return refused(describeProblem(scale.problem));
  const doubt =
    inPart === undefined
      ? findScaleDoubt({ ...sheet, ratio: ratioOfScale(scale.value), printed })
      : undefined;
  // Asked once; the same length given again is meant.
  if (doubt !== undefined && !isMeant) return { asks: true, refusal: describeScaleDoubt(doubt, display) };
  const changed = actions.transact(
    t('workspace.scaleOf', { number: sheet.number }),
    put(
      inPart === undefined
        ? { ...sheet, scale: scale.value, check: null }
        : { ...sheet, scaleAreas: replacePart(sheet, inPart, scale.value) },
    ),
  );
  if (!changed.ok) return refused(describeProblem(changed.problem));
  return {
    asks: false,
    done: t(
      isScan && scale.value.source.by === 'two-points'
        ? 'workspace.theScaleIsSetOneWay'
        : 'workspace.theScaleIsSetCheckItWith',
    ),
  };
}

interface LengthFieldProps {
  readonly tool: Tool;
  readonly text: string;
  readonly refusal: string | undefined;
  readonly setText: Dispatch<SetStateAction<string>>;
  readonly session: Session;
}

function LengthField({ tool, text, refusal, setText, session }: LengthFieldProps) {
  const { display, numbers } = useFormats();
  return (
    <label>
      <b>{tool === 'scale' ? t('workspace.howLongIsThisReally') : t('workspace.howLongShouldThisBe')}</b>
      <TextInput
        autoFocus
        style={{ marginTop: 6 }}
        value={text}
        placeholder={display.system === 'us' ? `42'-6"` : plainToLocal('12.95 m', numbers)}
        aria-invalid={refusal !== undefined}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => event.key === 'Escape' && session.pickAgain()}
      />
    </label>
  );
}

const replacePart = (sheet: Sheet, part: ScaleArea, scale: SheetScale): readonly ScaleArea[] =>
  (sheet.scaleAreas ?? []).map((each) => (each === part ? { ...each, scale } : each));

/** A distance picked on the sheet, with what was typed for it. */
interface Drawn {
  readonly a: Point;
  readonly b: Point;
  readonly text: string;
}

/** The distance the sheet's scale stands on, when it runs the other way than the one just picked. */
function otherWay({ scale }: Sheet, a: Point, b: Point): Drawn | undefined {
  if (scale === null || scale.source.by === 'ratio') return undefined;
  const { source } = scale;
  const across = runsAcross(a, b);
  if (source.by === 'two-distances') return across ? source.upright : source.across;
  return runsAcross(source.a, source.b) === across ? undefined : source;
}

const scaleOneWay = (drawn: Drawn, lengthM: number): Result<SheetScale, ScaleProblem> => {
  const scale = scaleOfTwoPoints(drawn.a, drawn.b, lengthM);
  return scale.ok ? accept({ ...scale.value, source: { by: 'two-points', ...drawn } }) : scale;
};

function scaleBothWays(drawn: Drawn, other: Drawn): Result<SheetScale, ScaleProblem> {
  const [first, second] = [drawn, other].map(({ a, b, text }) => {
    const length = evaluateEntry(text, LENGTH, undefined, POINT_FORMAT);
    return { a, b, lengthM: length.ok ? length.value : 0 };
  }) as [KnownDistance, KnownDistance];
  const scale = scaleOfTwoDistances(first, second);
  if (!scale.ok) return scale;
  const plain = ({ a, b, text }: Drawn): Drawn => ({ a, b, text });
  const across = runsAcross(drawn.a, drawn.b);
  return accept({
    ...scale.value,
    source: {
      by: 'two-distances',
      across: plain(across ? drawn : other),
      upright: plain(across ? other : drawn),
    },
  });
}

/** A bare number was meant in the job's own unit; kept with it, it means the same for ever. */
const withUnit = (kept: string, job: Parameters<typeof settingsOf>[0]): string =>
  /^[\d.]+$/.test(kept) ? `${kept} ${settingsOf(job).unitSystem === 'us' ? 'ft' : 'm'}` : kept;
