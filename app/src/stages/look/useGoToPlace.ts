import { useNavigate } from 'react-router';
import type { DoubtPlace } from '@zest/core/doubts/place';
import { useJobActions, useOpenJob, useSetView } from '../../stores/context.tsx';

/** Where one looks at it, on its own stage with the thing in hand. */
export function useGoToPlace(): (place: DoubtPlace) => void {
  const navigate = useNavigate();
  const { job, jobId } = useOpenJob();
  const actions = useJobActions();
  const setView = useSetView();
  return (place) => {
    const to = (path: string): void => void navigate(`/job/${jobId}/${path}`);
    switch (place.at) {
      case 'sheet':
        setView({ tool: 'scale' });
        return to(`measure/${encodeURIComponent(place.id)}`);
      case 'scope': {
        actions.select({ type: 'scope', id: place.id });
        const mark = [...job.mark.values()].find(({ scopeId }) => scopeId === place.id);
        setView({ penScope: place.id, tool: 'select' });
        return to(mark === undefined ? 'measure' : `measure/${encodeURIComponent(mark.sheetId)}`);
      }
      case 'marks':
        setView({ selectedMarks: new Set(place.ids), tool: 'select' });
        if (place.ids[0] !== undefined) actions.select({ type: 'mark', id: place.ids[0] });
        return to(`measure/${encodeURIComponent(place.sheetId)}`);
      case 'line':
        actions.select({ type: 'line', key: place.key });
        setView({ estimateSide: 'line' });
        return to('estimate');
      case 'section':
        actions.select({ type: 'section', id: place.id });
        return to('estimate');
      case 'package':
        return to(`quotes?package=${encodeURIComponent(place.id)}`);
      case 'yardstick':
        setView({ estimateSide: 'yardsticks' });
        return to('estimate');
      case 'prices':
        return to('prices');
      case 'alternates':
        setView({ estimateSide: 'alternates' });
        return to('estimate');
      case 'summary':
        setView({ estimateSide: 'bid' });
        return to('estimate');
      case 'bid':
        return to('bid');
      case 'measure':
        return to('measure');
      case 'figures':
        return to('figures');
    }
  };
}
