import { knownValue } from '@zest/core/calculate/define';
import { measureNode } from '@zest/core/calculate/graph/nodes';
import { evaluateEntry } from '@zest/core/formula/evaluateEntry';
import { type DeductRule, FACES, type Face } from '@zest/core/job/records/scope';
import { findDefaultUnit, formatQuantity, joinFigure } from '@zest/core/units/format';
import { AREA } from '@zest/core/units/dimension';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { describeEntry } from '../../messages/describeProblem.ts';
import { useFormats, useOpenJob } from '../../stores/context.tsx';
import type { ScopePartProps } from './ScopeProperties.tsx';
import { Select } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';
import type { Unit } from '@zest/core/units/unit';

const FACE_WORDS: Readonly<Record<Face, string>> = {
  center: 'center',
  left: t('measure.leftFace'),
  right: t('measure.rightFace'),
};

/** Which face was traced, and which openings are deducted: stated, never silent. */
export function ScopeRules({ scope, onChange }: ScopePartProps) {
  const { display } = useFormats();
  const { figures } = useOpenJob();
  if (scope.kind === 'count') return null;
  // A choice is only asked for where it would change a figure.
  const thick = scope.properties.some(({ key }) => key === 'thickness') || scope.face !== undefined;
  const opened =
    scope.deduct !== undefined || (knownValue(figures.figure(measureNode(scope.id, 'openings'))) ?? 0) > 0;
  const rule = scope.deduct ?? { rule: 'all' };
  const areaUnit = findDefaultUnit(AREA, display.system);
  return (
    <>
      {scope.kind === 'run' && thick ? (
        <label className={styles.property}>
          <span className="soft">{t('measure.tracedAlong')}</span>
          <Select
            value={scope.face ?? 'center'}
            onChange={(event) => onChange(t('measure.faceOfAScope'), { face: event.target.value as Face })}
          >
            {FACES.map((face) => (
              <option key={face} value={face}>
                {FACE_WORDS[face]}
              </option>
            ))}
          </Select>
        </label>
      ) : null}
      {opened ? (
        <label className={styles.property}>
          <span className="soft">{t('measure.deductOpenings')}</span>
          <Select
            value={rule.rule}
            onChange={(event) => {
              const next = event.target.value as DeductRule['rule'];
              onChange(t('measure.deductionOfOpenings'), {
                deduct: next === 'above' ? { rule: next, areaM2: areaUnit?.factor ?? 1 } : { rule: next },
              });
            }}
          >
            <option value="all">{t('measure.all')}</option>
            <option value="above">{t('measure.aboveASize')}</option>
            <option value="none">{t('measure.none')}</option>
          </Select>
        </label>
      ) : null}
      {rule.rule !== 'above' ? null : <DeductAbove rule={rule} areaUnit={areaUnit} onChange={onChange} />}
    </>
  );
}

interface DeductAboveProps {
  readonly rule: Readonly<{ rule: 'above'; areaM2: number }>;
  readonly areaUnit: Unit | undefined;
  readonly onChange: ScopePartProps['onChange'];
}

function DeductAbove({ rule, areaUnit, onChange }: DeductAboveProps) {
  const { display, numbers } = useFormats();
  return (
    <div className={styles.property}>
      <span className="soft">{t('measure.largerThan')}</span>
      <CommitInput
        label={t('measure.deductOpeningsLargerThan')}
        align="end"
        value={joinFigure(formatQuantity(rule.areaM2, AREA, display))}
        onCommit={(text) => {
          const entry = evaluateEntry(text, AREA, areaUnit, numbers);
          return entry.ok
            ? onChange(t('measure.deductionOfOpenings'), {
                deduct: { rule: 'above', areaM2: entry.value },
              })
            : describeEntry(entry.problem);
        }}
      />
    </div>
  );
}
