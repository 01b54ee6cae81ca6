import type { DateStyle } from '@zest/core/job/records/settings';
import { type Language, language } from './t.ts';

/** How long ago something may be for 'yesterday' to say more than its date: in days. */
const LATELY_DAYS = 7;
const DAY_MS = 86_400_000;

const localeOf = (lng: Language): string => (lng === 'en-XA' ? 'en-US' : lng);
const NUMBERS = { day: '2-digit', month: '2-digit', year: 'numeric' } as const;
const ISO_DAY = /^\d{4}-\d{2}-\d{2}$/;

/** `2026-11-24` as a document writes it: 'November 24, 2026', or '24 November 2026'. What is no date stays as it is. */
export function longDay(isoDay: string, lng: Language = language, style?: DateStyle): string {
  if (!ISO_DAY.test(isoDay) || style === 'iso') return isoDay;
  const at = new Date(`${isoDay}T00:00:00Z`);
  if (Number.isNaN(at.getTime())) return isoDay;
  const form = style === 'numbers' ? NUMBERS : ({ dateStyle: 'long' } as const);
  return new Intl.DateTimeFormat(localeOf(lng), { ...form, timeZone: 'UTC' }).format(at);
}

/** A moment with the time of day, where the estimator is. */
export const momentOf = (at: number, lng: Language = language): string =>
  new Intl.DateTimeFormat(localeOf(lng), { dateStyle: 'medium', timeStyle: 'short' }).format(at);

/** The day of a moment where the estimator is; 'today' and 'yesterday' for the last few. */
export function dayAgo(at: number, now: number, lng: Language = language): string {
  const startOf = (moment: number): number => new Date(moment).setHours(0, 0, 0, 0);
  const days = Math.round((startOf(at) - startOf(now)) / DAY_MS);
  if (days <= 0 && days > -LATELY_DAYS)
    return new Intl.RelativeTimeFormat(localeOf(lng), { numeric: 'auto' }).format(days, 'day');
  return new Intl.DateTimeFormat(localeOf(lng), { dateStyle: 'medium' }).format(at);
}
