import { format, isValid, parseISO } from 'date-fns';

/** The day of a moment where the estimator is, as prices and quotes are dated: 2026-11-25. */
export const dayOf = (at: number): string => format(at, 'yyyy-MM-dd');

const ISO_DAY = /^\d{4}-\d{2}-\d{2}$/;

/** Whether a text is a day there is, written as 2026-11-25. */
export const isDay = (text: string): boolean => ISO_DAY.test(text) && isValid(parseISO(text));
