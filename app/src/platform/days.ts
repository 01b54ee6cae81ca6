import { format } from 'date-fns';

/** The day of a moment where the estimator is, as prices and quotes are dated: 2026-11-25. */
export const dayOf = (at: number): string => format(at, 'yyyy-MM-dd');

/** The same with the time of day: 2026-11-25 17:40. */
export const minuteOf = (at: number): string => format(at, 'yyyy-MM-dd HH:mm');
