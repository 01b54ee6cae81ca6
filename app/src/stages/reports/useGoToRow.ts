import { useNavigate } from 'react-router';
import type { RowLink } from '@zest/core/reports/sources';
import { useOpenNow } from '../../stores/context.tsx';
import { useGoToPlace } from '../look/useGoToPlace.ts';

/** Goes to where a row of a report is: its line, its marks on their sheet, its item in the price book. */
export function useGoToRow(): (link: RowLink) => void {
  const goTo = useGoToPlace();
  const openNow = useOpenNow();
  const navigate = useNavigate();
  return (link) => {
    const { job, jobId } = openNow();
    const to = (path: string): void => void navigate(`/job/${jobId}/${path}`);
    switch (link.to) {
      case 'line':
        return goTo({ at: 'line', key: link.key });
      case 'scope':
        return goTo({ at: 'scope', id: link.id });
      case 'mark': {
        const mark = job.mark.get(link.id);
        return mark === undefined ? undefined : goTo({ at: 'marks', ids: [mark.id], sheetId: mark.sheetId });
      }
      case 'sheet':
        return to(`measure/${encodeURIComponent(link.id)}`);
      case 'item':
        return to(`prices?item=${encodeURIComponent(link.id)}`);
      case 'package':
        return goTo({ at: 'package', id: link.id });
      case 'alternates':
        return goTo({ at: 'alternates' });
      case 'doubt':
        return goTo(link.place);
    }
  };
}
