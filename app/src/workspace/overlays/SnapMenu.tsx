import { useStore } from 'zustand';
import { Select } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import type { SnapChoice, Snapper } from '../snapper.ts';
import { styles } from './styles.ts';

const CHOICES = {
  lines: { on: true, marks: false },
  marks: { on: true, marks: true },
  off: { on: false, marks: false },
} as const satisfies Readonly<Record<string, SnapChoice>>;
type Chosen = keyof typeof CHOICES;

const WORDS: Readonly<Record<Chosen, string>> = {
  lines: t('workspace.snapToTheSheet'),
  marks: t('workspace.snapToTheSheetAndMarks'),
  off: t('workspace.snapOff'),
};

/** What draws the pen: on or off, and what it sees of this sheet. */
export function SnapMenu({ snapper }: { readonly snapper: Snapper }) {
  const { on, marks, ready } = useStore(snapper.store);
  const chosen: Chosen = !on ? 'off' : marks ? 'marks' : 'lines';
  const seen =
    ready === undefined
      ? t('workspace.readingTheLinesOfTheSheet')
      : ready === 0
        ? t('workspace.noLinesToSnapTo')
        : t('workspace.linesToSnapTo', { count: ready });
  return (
    <>
      <Select
        small
        className={styles.dockForm}
        style={{ width: 100 }}
        aria-label={t('workspace.whatThePenSnapsTo')}
        aria-describedby="snap-seen"
        title={seen}
        value={chosen}
        onChange={(event) => snapper.choose(CHOICES[event.target.value as Chosen])}
      >
        {Object.entries(WORDS).map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </Select>
      <span id="snap-seen" className={styles.snapSeen}>
        {on ? seen : ''}
      </span>
    </>
  );
}
