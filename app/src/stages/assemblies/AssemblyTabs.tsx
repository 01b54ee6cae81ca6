import { NavLink } from 'react-router';
import { useOpenJob } from '../../stores/context.tsx';

const TABS = [
  ['assemblies', 'In this job'],
  ['library', 'Library'],
  ['figures', 'Figures and tables'],
] as const;

/** The three places where what is measured becomes material: the job's assemblies, the library, named figures. */
export function AssemblyTabs() {
  const { jobId } = useOpenJob();
  return (
    <>
      <h1 className="sr-only">Assemblies</h1>
      <nav className="tabs" aria-label="Assemblies">
        {TABS.map(([path, name]) => (
          <NavLink key={path} to={`/job/${jobId}/${path}`}>
            {name}
          </NavLink>
        ))}
      </nav>
    </>
  );
}
