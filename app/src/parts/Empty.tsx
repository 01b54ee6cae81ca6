import { EmptyState } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import { layout } from '../theme/layout.ts';

interface EmptyProps {
  readonly title: string;
  /** What one does first, where that is done here. */
  readonly action?: ReactNode;
  /** What would stand here, and how it comes. */
  readonly children: ReactNode;
}

/** What is said where there is nothing yet. */
export const Empty = ({ title, action, children }: EmptyProps) => (
  <EmptyState.Root unstyled className={layout.empty}>
    <EmptyState.Title asChild>
      <h2>{title}</h2>
    </EmptyState.Title>
    <EmptyState.Description asChild>
      <p>{children}</p>
    </EmptyState.Description>
    {action === undefined ? null : <div className="first">{action}</div>}
  </EmptyState.Root>
);
