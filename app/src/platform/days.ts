import { format } from 'date-fns';

/** The day of a moment where the estimator is, as prices and quotes are dated: 2026-11-25. */
export const dayOf = (at: number): string => format(at, 'yyyy-MM-dd');
