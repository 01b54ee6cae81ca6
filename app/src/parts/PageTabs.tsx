import { NavLink } from 'react-router';
import { useJobId } from '../stores/jobHooks.ts';
import { styles } from './styles.ts';

interface PageTabsProps {
  /** The stage that the pages are of. */
  readonly stage: string;
  readonly pages: readonly { readonly path: string; readonly name: string }[];
}

/** The pages of one stage, side by side. */
export function PageTabs({ stage, pages }: PageTabsProps) {
  const jobId = useJobId();
  return (
    <>
      <h1 className="sr-only">{stage}</h1>
      <nav className={styles.tabs} aria-label={stage}>
        {pages.map(({ path, name }) => (
          <NavLink key={path} to={`/job/${jobId}/${path}`}>
            {name}
          </NavLink>
        ))}
      </nav>
    </>
  );
}
