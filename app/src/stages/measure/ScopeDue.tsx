import { inOrder } from '@zest/core/job/job';
import { GLYPHS, type Glyph } from '@zest/core/job/records/scope';
import { lookOf } from '../../theme/scopeColors.ts';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { useTable } from '../../stores/jobHooks.ts';
import type { ScopePartProps } from './ScopeProperties.tsx';
import { Select } from '../../parts/fields.tsx';
import { Checkbox } from '../../parts/Checkbox.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';

/** The levels a scope is expected on; the tally says where it is missing. */
export function ScopeDue({ scope, onChange }: ScopePartProps) {
  const levels = inOrder(useTable('level').values());
  if (levels.length < 2) return null;
  const due = scope.dueOn ?? [];
  return (
    <div className={styles.due}>
      <span className="soft">{t('measure.dueOn')}</span>
      {levels.map(({ id, name }) => (
        <Checkbox
          key={id}
          checked={due.includes(id)}
          onChange={(on) =>
            onChange(t('measure.levelsAScopeIsDueOn'), {
              dueOn: on ? [...due, id] : due.filter((each) => each !== id),
            })
          }
        >
          {name}
        </Checkbox>
      ))}
    </div>
  );
}

/** The scopes whose runs this one's meet: where they do are corners, tees and crossings, not ends. */
export function ScopeMeets({ scope, onChange }: ScopePartProps) {
  const scopes = useTable('scope');
  if (scope.kind !== 'run') return null;
  const others = inOrder(scopes.values()).filter(({ id, kind }) => kind === 'run' && id !== scope.id);
  const meets = scope.meets ?? [];
  if (others.length === 0) return null;
  return (
    <details className={styles.meets} open={meets.length > 0}>
      <summary>
        {meets.length === 0
          ? t('measure.meetsOnlyItsOwn')
          : t('measure.meetsOthers', { count: meets.length })}
      </summary>
      {others.map(({ id, name }) => (
        <Checkbox
          key={id}
          className="cut"
          checked={meets.includes(id)}
          onChange={(on) =>
            onChange(t('measure.whatAScopeMeets'), {
              meets: on ? [...meets, id] : meets.filter((each) => each !== id),
            })
          }
        >
          {name}
        </Checkbox>
      ))}
    </details>
  );
}

/** How the points of a count look on the sheet. */
export function ScopeSign({ scope, onChange }: ScopePartProps) {
  if (scope.kind !== 'count') return null;
  const usual = { glyph: lookOf(scope.color).glyph, sizePt: 12, turnDeg: 0 };
  const sign = scope.sign ?? usual;
  const set = (changed: Partial<typeof sign>): string | undefined =>
    onChange(t('measure.signOfACount'), { sign: { ...sign, ...changed } });
  const figure = (text: string, low: number, high: number): number | undefined => {
    const value = Number(text.replace(/[°\s]|pt/g, '').replace(',', '.'));
    return text.trim() !== '' && value >= low && value <= high ? value : undefined;
  };
  return (
    <div className={styles.sign}>
      <span className="soft">{t('measure.sign')}</span>
      <Select
        aria-label={t('measure.shapeOfTheSign')}
        value={sign.glyph}
        onChange={(event) => set({ glyph: event.target.value as Glyph })}
      >
        {GLYPHS.map((glyph) => (
          <option key={glyph} value={glyph}>
            {glyph}
          </option>
        ))}
      </Select>
      <CommitInput
        label={t('measure.sizeOfTheSignOnTheSheet')}
        align="end"
        value={`${sign.sizePt} pt`}
        onCommit={(text) => {
          const sizePt = figure(text, 2, 60);
          return sizePt === undefined ? t('measure.typeASizeFrom2To60') : set({ sizePt });
        }}
      />
      <CommitInput
        label={t('measure.turnOfTheSign')}
        align="end"
        value={`${sign.turnDeg}°`}
        onCommit={(text) => {
          const turnDeg = figure(text, -360, 360);
          return turnDeg === undefined ? t('measure.typeDegrees360To360') : set({ turnDeg });
        }}
      />
    </div>
  );
}
