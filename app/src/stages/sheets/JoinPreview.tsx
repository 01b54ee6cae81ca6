import { useEffect, useRef, useState } from 'react';
import type { Sheet } from '@zest/core/job/records/sheet';
import { type JoinPair, type JoinPlan, type JoinProblem, joinedContent } from '@zest/core/takeoff/joinSheets';
import type { Result } from '@zest/core/problem/result';
import { LENGTH } from '@zest/core/units/dimension';
import { formatQuantity, joinFigure } from '@zest/core/units/format';
import { formatNumber } from '@zest/core/units/numberFormat';
import { describeProblem } from '../../messages/describeProblem.ts';
import { createSheetFiles } from '../../platform/sheetFiles.ts';
import { useFormats, useOpenJob, useServices } from '../../stores/context.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { styles } from './styles.ts';
import { Refusal } from '../../parts/Refusal.tsx';

const WIDTH_PX = 560;

interface JoinPreviewProps {
  readonly first: Sheet;
  readonly second: Sheet;
  readonly pairs: readonly JoinPair[];
  readonly plan: Result<JoinPlan, JoinProblem> | undefined;
}

/** The joined sheet with its halves tinted, and in words how well they fit. */
export function JoinPreview({ first, second, pairs, plan }: JoinPreviewProps) {
  if (plan === undefined) return <p className="soft">{t('sheets.pickTwoPointsOnEachSheet')}</p>;
  if (!plan.ok) return <Refusal>{describeProblem(plan.problem)}</Refusal>;
  const content = joinedContent(first, second, pairs, plan.value);
  return (
    <>
      <Picture sheet={{ ...first, ...content }} plan={plan.value} />
      <Fit plan={plan.value} first={first} second={second} checks={pairs.length - 2} />
    </>
  );
}

function Picture({ sheet, plan }: { readonly sheet: Sheet; readonly plan: JoinPlan }) {
  const services = useServices();
  const { jobId } = useOpenJob();
  const canvas = useRef<HTMLCanvasElement>(null);
  const [drawn, setDrawn] = useState(false);
  const scale = WIDTH_PX / plan.widthPt;
  const height = Math.ceil(plan.heightPt * scale);
  const key = JSON.stringify(plan.matrix);
  useEffect(() => {
    let gone = false;
    const tile = { scale, x: 0, y: 0, width: WIDTH_PX, height };
    createSheetFiles(services, jobId)
      .render(sheet, tile)
      .then(
        (bitmap) => {
          if (gone || canvas.current === null) return bitmap.close();
          canvas.current.getContext('bitmaprenderer')?.transferFromImageBitmap(bitmap);
          setDrawn(true);
        },
        () => undefined,
      );
    return () => {
      gone = true;
    };
    // The plan's matrix is all that changes the picture.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [services, jobId, key]);
  const ring = (clip: readonly { readonly x: number; readonly y: number }[]): string =>
    clip.map(({ x, y }) => `${x},${y}`).join(' ');
  return (
    <div className={styles.joinPicture} data-drawn={drawn}>
      <canvas ref={canvas} width={WIDTH_PX} height={height} />
      <svg
        viewBox={`0 0 ${plan.widthPt} ${plan.heightPt}`}
        aria-label={t('sheets.theJoinedSheetItsHalvesTinted')}
        role="img"
      >
        {plan.first.map(({ clip }, index) => (
          <polygon key={index} points={ring(clip)} fill="#2B8A6B" fillOpacity="0.16" />
        ))}
        {plan.second.map(({ clip }, index) => (
          <polygon key={index} points={ring(clip)} fill="#C2307A" fillOpacity="0.16" />
        ))}
        <polyline points={ring(plan.seam)} stroke="#B8450B" strokeWidth={plan.widthPt / 250} fill="none" />
      </svg>
    </div>
  );
}

/** Scales that disagree by more than this are pointed out. */
const SCALE_DOUBT = 0.005;

interface FitProps {
  readonly plan: JoinPlan;
  readonly first: Sheet;
  readonly second: Sheet;
  readonly checks: number;
}

function Fit({ plan, first, second, checks }: FitProps) {
  const { display, numbers } = useFormats();
  const percent = (share: number): string => `${formatNumber(share * 100, 2, numbers)} %`;
  const length = (lengthM: number): string => joinFigure(formatQuantity(lengthM, LENGTH, display));
  const { firstM, secondM } = plan;
  const off = firstM === undefined || secondM === undefined ? undefined : secondM / firstM - 1;
  return (
    <dl className={layout.facts} aria-label={t('sheets.fit')}>
      <dt>{t('sheets.turned')}</dt>
      <dd>{formatNumber(plan.turnDeg, 2, numbers)}°</dd>
      <dt>{t('sheets.enlarged')}</dt>
      <dd>{t('sheets.times', { figure: formatNumber(plan.factor, 4, numbers) })}</dd>
      <dt>{t('sheets.residual')}</dt>
      <dd data-residual={plan.residual}>
        {checks === 0 ? t('sheets.noneWithTwoPlaces') : percent(plan.residual)}
      </dd>
      {firstM === undefined ? null : (
        <>
          <dt>{t('sheets.between1And2On', { number: first.number })}</dt>
          <dd>{length(firstM)}</dd>
        </>
      )}
      {secondM === undefined ? null : (
        <>
          <dt>{t('sheets.on', { number: second.number })}</dt>
          <dd>{length(secondM)}</dd>
        </>
      )}
      <dt>{t('sheets.scales')}</dt>
      <dd
        className={off !== undefined && Math.abs(off) > SCALE_DOUBT ? 'warn' : ''}
        data-scale-off={off ?? ''}
      >
        {off === undefined
          ? t('sheets.hasNoneToCheck', { part: firstM === undefined ? first.number : second.number })
          : t('sheets.agreeTo', { value: percent(Math.abs(off)) })}
      </dd>
    </dl>
  );
}
