import { Button } from '@chakra-ui/react';
import { Trash2 } from 'lucide-react';
import { IconAction } from '../../parts/IconAction.tsx';
import type { JobSummary } from '../../storage/database.ts';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';

interface TemplatesProps {
  readonly templates: readonly JobSummary[];
  readonly onStart: (template: JobSummary) => void;
  readonly onDelete: (template: JobSummary) => void;
}

/** Jobs that others are started from, by their folders. Nothing is shown while there is none. */
export function Templates({ templates, onStart, onDelete }: TemplatesProps) {
  if (templates.length === 0) return null;
  const folders = [...new Set(templates.map(({ template }) => template?.folder ?? ''))].sort();
  return (
    <section aria-label={t('jobs.templates')} style={{ marginTop: 22 }}>
      <h2 style={{ fontSize: 16, fontWeight: 600, margin: '0 0 6px' }}>{t('jobs.templates')}</h2>
      <table className={styles.jobsTable}>
        <tbody>
          {folders.map((folder) =>
            templates
              .filter(({ template }) => (template?.folder ?? '') === folder)
              .map((each, at) => (
                <tr key={each.id}>
                  <td className="soft" style={{ width: 200 }}>
                    {at === 0 ? folder : ''}
                  </td>
                  <td>
                    <span className="cut" title={each.name}>
                      {each.name}
                    </span>
                  </td>
                  <td style={{ textAlign: 'right', whiteSpace: 'nowrap' }}>
                    <Button size="xs" variant="outline" onClick={() => onStart(each)}>
                      {t('jobs.useTemplate')}
                    </Button>
                    <IconAction
                      label={t('jobs.deleteTemplate', { name: each.name })}
                      icon={Trash2}
                      onClick={() => onDelete(each)}
                    />
                  </td>
                </tr>
              )),
          )}
        </tbody>
      </table>
    </section>
  );
}
