import { X } from 'lucide-react';
import { put } from '@zest/core/job/change';
import { removeLevel } from '@zest/core/job/commands/removeWith';
import { inOrder } from '@zest/core/job/job';
import type { Level } from '@zest/core/job/records/level';
import { CommitInput } from '../../components/CommitInput.tsx';
import { TimesInput } from '../../components/TimesInput.tsx';
import { useSettle } from '../../components/useSettle.ts';
import { useJobActions, useOpenJob } from '../../stores/context.tsx';
import { IconButton } from '../../parts/buttons.tsx';

/** The levels of the building, and how often each is built: a typical floor is measured once. */
export function Levels() {
  const { job } = useOpenJob();
  const settle = useSettle();
  const actions = useJobActions();
  const levels = inOrder(job.level.values());
  const change = (label: string, level: Level): string | undefined => {
    return settle(label, put(level));
  };
  if (levels.length === 0)
    return (
      <p className="soft levels">
        No levels yet. Type one in the Level column. If a level is built several times, its sheets count that
        often.
      </p>
    );
  return (
    <section className="levels" aria-label="Levels">
      {levels.map((level) => (
        <span key={level.id} className="level">
          <CommitInput
            label="Name of a level"
            value={level.name}
            onCommit={(name) => change('rename a level', { ...level, name })}
          />
          <span className="soft">built</span>
          <TimesInput
            name={level.name}
            value={level.repeat}
            onCommit={(repeat) => change(`${level.name} times ${repeat}`, { ...level, repeat })}
          />
          <span className="soft">times</span>
          <IconButton
            aria-label={`Remove the level ${level.name}`}
            onClick={() => actions.transact(`remove level ${level.name}`, removeLevel(level.id))}
          >
            <X size={13} />
          </IconButton>
        </span>
      ))}
    </section>
  );
}
