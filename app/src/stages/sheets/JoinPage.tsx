import { Button } from '@chakra-ui/react';
import { type Dispatch, type SetStateAction, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import type { Point } from '@zest/core/geometry/point';
import type { Id } from '@zest/core/job/id';
import { inOrder } from '@zest/core/job/job';
import { JOIN_PAIR_LIMIT, type Sheet } from '@zest/core/job/records/sheet';
import { type JoinPair, type JoinPlan, type JoinProblem, planJoin } from '@zest/core/takeoff/joinSheets';
import { useOpenJob, useStores } from '../../stores/context.tsx';
import { SheetPane } from '../../workspace/SheetPane.tsx';
import { toScreen } from '../../workspace/camera.ts';
import { JoinPreview } from './JoinPreview.tsx';
import { joinSheets } from './joinSheets.ts';
import { TextButton } from '../../parts/buttons.tsx';
import { Select } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';
import { Empty } from '../../parts/Empty.tsx';
import type { Result } from '@zest/core/problem/result';

type Points = readonly Point[];

/** Joins two sheets along a match line: the same places are picked on both, and the fit is shown. */
export function JoinPage() {
  const { jobId } = useOpenJob();
  const navigate = useNavigate();
  const stores = useStores();
  const { sheets, redone, first, second, onFirst, onSecond, setFirst, setSecond, setOnFirst, setOnSecond } =
    useJoin();
  if (first === undefined || second === undefined || sheets.length < 2)
    return <Empty title={t('sheets.nothingToJoin')}>{t('sheets.youNeedTwoSheetsSuchAsThe')}</Empty>;
  const pairs: readonly JoinPair[] = onFirst.flatMap((p, i): readonly JoinPair[] => {
    const q = onSecond[i];
    return q === undefined ? [] : [[p, q]];
  });
  const plan = pairs.length < 2 && first.id !== second.id ? undefined : planJoin(first, second, pairs);
  const back = (): void => void navigate(`/job/${jobId}/sheets`);
  const finish = (): void => {
    const id = joinSheets(stores, first, second, pairs, redone);
    if (id !== undefined) void navigate(`/job/${jobId}/measure/${encodeURIComponent(id)}`);
  };
  return (
    <div className={styles.join}>
      <JoinPane
        label={t('sheets.firstSheetWhichStays')}
        sheets={sheets}
        sheet={first}
        points={onFirst}
        onSheet={setFirst}
        onPoints={setOnFirst}
      />
      <JoinPane
        label={t('sheets.secondSheetWhichIsMoved')}
        sheets={sheets}
        sheet={second}
        points={onSecond}
        onSheet={setSecond}
        onPoints={setOnSecond}
      />
      <aside className={styles.joinSide} aria-label={t('sheets.howTheSheetsFit')}>
        <h1>{t('sheets.joinTwoSheets')}</h1>
        <p className="soft">{t('sheets.clickTwoPointsOnTheMatchLine')}</p>
        <JoinPreview first={first} second={second} pairs={pairs} plan={plan} />
        <span style={{ flex: 1 }} />
        <JoinButtons
          plan={plan}
          finish={finish}
          redone={redone}
          setOnFirst={setOnFirst}
          setOnSecond={setOnSecond}
          back={back}
        />
      </aside>
    </div>
  );
}

/** The two sheets, and the points that were picked on each; as they were where a join is done again. */
function useJoin() {
  const { sheetId = '' } = useParams();
  const { job } = useOpenJob();
  const sheets = inOrder(job.sheet.values());
  const asked = job.sheet.get(sheetId as Id<'sheet'>);
  const redone = asked?.join === undefined ? undefined : asked;
  const begin = job.sheet.get(redone?.join?.first ?? ('' as Id<'sheet'>)) ?? asked ?? sheets[0];
  const at = sheets.findIndex(({ id }) => id === begin?.id);
  const [firstId, setFirstId] = useState<string>(begin?.id ?? '');
  const [secondId, setSecondId] = useState<string>(
    redone?.join?.second ?? sheets[at + 1]?.id ?? sheets[0]?.id ?? '',
  );
  const kept = redone?.join?.pairs ?? [];
  const [onFirst, setOnFirst] = useState<Points>(kept.map(([p]) => p));
  const [onSecond, setOnSecond] = useState<Points>(kept.map(([, q]) => q));
  const first = job.sheet.get(firstId as Id<'sheet'>);
  const second = job.sheet.get(secondId as Id<'sheet'>);
  return {
    sheets,
    redone,
    first,
    second,
    onFirst,
    onSecond,
    setOnFirst,
    setOnSecond,
    setFirst: (id: string): void => {
      setFirstId(id);
      setOnFirst([]);
    },
    setSecond: (id: string): void => {
      setSecondId(id);
      setOnSecond([]);
    },
  };
}

interface JoinButtonsProps {
  readonly plan: Result<JoinPlan, JoinProblem> | undefined;
  readonly finish: () => void;
  readonly redone: Sheet | undefined;
  readonly setOnFirst: Dispatch<SetStateAction<Points>>;
  readonly setOnSecond: Dispatch<SetStateAction<Points>>;
  readonly back: () => void;
}

function JoinButtons({ plan, finish, redone, setOnFirst, setOnSecond, back }: JoinButtonsProps) {
  return (
    <div style={{ display: 'flex', gap: 8, flexWrap: 'wrap' }}>
      <Button size="sm" disabled={plan?.ok !== true} onClick={finish}>
        {redone === undefined ? t('sheets.join') : t('sheets.joinAgain')}
      </Button>
      <Button
        size="sm"
        variant="outline"
        onClick={() => {
          setOnFirst([]);
          setOnSecond([]);
        }}
      >
        {t('sheets.pickAgain')}
      </Button>
      <Button size="sm" variant="outline" onClick={back}>
        {t('sheets.cancel')}
      </Button>
    </div>
  );
}

interface JoinPaneProps {
  readonly label: string;
  readonly sheets: readonly Sheet[];
  readonly sheet: Sheet;
  readonly points: Points;
  readonly onSheet: (id: string) => void;
  readonly onPoints: (points: Points) => void;
}

function JoinPane({ label, sheets, sheet, points, onSheet, onPoints }: JoinPaneProps) {
  return (
    <section className={styles.joinPane} aria-label={label}>
      <div className={styles.joinHead}>
        <Select
          aria-label={t('sheets.sheet')}
          value={sheet.id}
          onChange={(event) => onSheet(event.target.value)}
        >
          {sheets.map(({ id, number, title }) => (
            <option key={id} value={id}>
              {number} {title}
            </option>
          ))}
        </Select>
        <span className="soft">
          {points.length <= 2
            ? t('sheets.of2Places', { number: points.length })
            : t('sheets.n2PlacesToCheck', { number: points.length - 2 })}
        </span>
        <TextButton disabled={points.length === 0} onClick={() => onPoints(points.slice(0, -1))}>
          {t('sheets.undo')}
        </TextButton>
      </div>
      <SheetPane
        key={sheet.id}
        sheet={sheet}
        onPick={(at) => {
          if (points.length < JOIN_PAIR_LIMIT) onPoints([...points, at]);
        }}
      >
        {(camera) =>
          points.map((point, index) => {
            const { x, y } = toScreen(camera, point);
            return (
              <g key={index} className="join-point">
                <path d={`M${x - 9} ${y}H${x + 9}M${x} ${y - 9}V${y + 9}`} />
                <text x={x + 9} y={y - 8}>
                  {index + 1}
                </text>
              </g>
            );
          })
        }
      </SheetPane>
    </section>
  );
}
