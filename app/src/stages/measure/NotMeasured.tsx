import { useMemo, useState } from 'react';
import { findNotMeasured } from '@zest/core/takeoff/notMeasured';
import { plural } from '../../messages/words.ts';
import { useOpenJobLater, useSetView } from '../../stores/context.tsx';
import { BareButton, TextButton } from '../../parts/buttons.tsx';

/** What was never measured: empty scopes, levels where one is due, rows of schedules nobody used. */
export function NotMeasured() {
  const { job } = useOpenJobLater();
  const setView = useSetView();
  const [open, setOpen] = useState(false);
  const { scopes, levels, rows } = useMemo(() => findNotMeasured(job), [job]);
  const count = scopes.length + levels.length + rows.reduce((sum, { tags }) => sum + tags.length, 0);
  if (count === 0) return null;
  return (
    <div className="not-measured">
      <BareButton aria-expanded={open} onClick={() => setOpen(!open)}>
        {open ? '▾' : '▸'} Not yet measured <span className="warn">{count}</span>
      </BareButton>
      {open ? (
        <ul aria-label="Not yet measured">
          {scopes.map((scope) => (
            <li key={scope.id}>
              <TextButton onClick={() => setView({ penScope: scope.id, tool: scope.kind })}>
                {scope.name}
              </TextButton>{' '}
              nothing drawn
            </li>
          ))}
          {levels.map(({ scope, level }) => (
            <li key={`${scope.id} ${level.id}`}>
              <TextButton onClick={() => setView({ penScope: scope.id, tool: scope.kind })}>
                {scope.name}
              </TextButton>{' '}
              nothing on {level.name}
            </li>
          ))}
          {rows.map(({ schedule, tags }) => (
            <li key={schedule.id}>
              <TextButton onClick={() => setView({ schedule })}>{schedule.title}</TextButton>{' '}
              {plural(tags.length, 'row')} never used: {tags.slice(0, 12).join(', ')}
              {tags.length > 12 ? ' …' : ''}
            </li>
          ))}
        </ul>
      ) : null}
    </div>
  );
}
