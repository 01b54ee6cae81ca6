import { settingsOf } from './job.ts';
import { query } from './query.ts';

/** Single settings, each by itself: who reads the currency does not follow the name of the job. */
export const currencyOf = query((job) => settingsOf(job).currency);
export const regionOf = query((job) => settingsOf(job).regionId);
export const linesByOf = query((job) => settingsOf(job).linesBy);
export const difficultyOfSettings = query((job) => settingsOf(job).difficulty);
