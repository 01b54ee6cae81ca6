import type { OpeningRow } from '@zest/core/takeoff/openingRows';
import { LENGTH } from '@zest/core/units/dimension';
import { formatQuantity, joinFigure } from '@zest/core/units/format';
import { useFormats, useOpenJob, useSetView, useView } from '../../stores/context.tsx';
import { type Form, currentStroke, formsOf, isDrawnKind } from '../tools/draw.ts';
import { openingRows } from '../drawing.ts';
import { useKeyOf } from '../../actions/useActions.ts';
import type { Tool } from '../../stores/viewStore.ts';
import type { Session } from '../session.ts';
import { TOOLBOX } from '../tools/toolbox.ts';
import { useSessionState } from '../useSession.ts';
import type { Snapper } from '../snapper.ts';
import { SheetMenu } from './SheetMenu.tsx';
import { SnapMenu } from './SnapMenu.tsx';
import { DockButton } from '../../parts/buttons.tsx';
import { Select } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';
import { Kbd } from '../../parts/Kbd.tsx';

const ON_DOCK = Object.values(TOOLBOX).flatMap(({ id, dock, action }) =>
  dock === undefined ? [] : [{ tool: id, name: dock.name, usualKey: action?.key ?? '' }],
);

const FORMS: Readonly<Record<Form, readonly [name: string, key: string]>> = {
  line: [t('workspace.straight'), ''],
  arc: [t('workspace.arc'), 'K'],
  route: [t('workspace.squareRoute'), 'G'],
  box: [t('workspace.box'), 'E'],
  slant: [t('workspace.turnedBox'), 'W'],
  circle: [t('workspace.circle'), 'Q'],
};

/** Which row of a schedule the next opening is of; it goes on by itself as they are placed. */
function OpeningRows() {
  const { job } = useOpenJob();
  const row = useView((state) => state.openingRow);
  const setView = useSetView();
  const { display } = useFormats();
  const rows = openingRows(job);
  if (rows.length === 0) return null;
  const used = new Set([...job.opening.values()].map(({ tag }) => tag));
  const write = (lengthM: number): string => joinFigure(formatQuantity(lengthM, LENGTH, display));
  const keyOf = ({ scheduleId, tag }: OpeningRow): string => `${scheduleId} ${tag}`;
  return (
    <Select
      small
      className={styles.dockForm}
      aria-label={t('workspace.rowOfAScheduleForTheNext')}
      style={{ width: 150 }}
      value={row === undefined ? '' : keyOf(row)}
      onChange={(event) => setView({ openingRow: rows.find((each) => keyOf(each) === event.target.value) })}
    >
      <option value="">{t('workspace.sizeOfTheCount')}</option>
      {rows.map((each) => (
        <option key={keyOf(each)} value={keyOf(each)}>
          {t(used.has(each.tag) ? 'workspace.openingRowPlaced' : 'workspace.openingRow', {
            tag: each.tag,
            widthM: write(each.widthM),
            heightM: write(each.heightM),
          })}
        </option>
      ))}
    </Select>
  );
}

interface ToolButtonProps {
  readonly tool: Tool;
  readonly name: string;
  readonly usualKey: string;
}

function ToolButton({ tool, name, usualKey }: ToolButtonProps) {
  const setView = useSetView();
  const now = useView((state) => state.tool);
  const key = useKeyOf(`tool-${tool}`, usualKey);
  return (
    <DockButton aria-pressed={now === tool} onClick={() => setView({ tool })}>
      {name} {key === '' ? null : <Kbd>{key}</Kbd>}
    </DockButton>
  );
}

interface DockProps {
  readonly session: Session;
  readonly snapper: Snapper;
}

/** The few modes of the pen, near the hand. */
export function Dock({ session, snapper }: DockProps) {
  const now = useView((state) => state.tool);
  const form = useSessionState(session, ({ draft }) => draft.form);
  const drawing = useSessionState(session, ({ draft }) => draft.strokes.length > 0);
  const canLift = useSessionState(session, ({ draft }) => currentStroke(draft).length > 0);
  return (
    <div className={styles.dock} role="toolbar" aria-label={t('workspace.pens')}>
      {ON_DOCK.map((each) => (
        <ToolButton key={each.tool} {...each} />
      ))}
      <hr />
      {isDrawnKind(now) ? (
        <>
          <Select
            small
            className={styles.dockForm}
            style={{ width: 84 }}
            aria-label={t('workspace.howTheNextPieceIsDrawn')}
            value={form}
            onChange={(event) => session.draw({ type: 'form', form: event.target.value as Form })}
          >
            {formsOf(now).map((each) => (
              <option key={each} value={each}>
                {FORMS[each].filter(Boolean).join('  ')}
              </option>
            ))}
          </Select>
          <DockButton disabled={!canLift} onClick={() => session.draw({ type: 'lift' })}>
            {t('workspace.leaveAGap')} <Kbd>.</Kbd>
          </DockButton>
          <DockButton disabled={!drawing} onClick={() => session.draw({ type: 'complete' })}>
            {t('workspace.end')} <Kbd>{t('workspace.enter')}</Kbd>
          </DockButton>
        </>
      ) : (
        <>
          <ToolButton tool="scale" name={t('workspace.setScale')} usualKey="S" />
          <ToolButton tool="check" name={t('workspace.measureBack')} usualKey="B" />
          {now === 'opening' ? <OpeningRows /> : null}
          <SheetMenu />
        </>
      )}
      {TOOLBOX[now].snaps ? (
        <>
          <hr />
          <SnapMenu snapper={snapper} />
        </>
      ) : null}
    </div>
  );
}
