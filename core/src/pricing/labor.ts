import type { Failure } from '../job/failure.ts';
import type { Id } from '../job/id.ts';
import type { ComponentLabor } from '../job/records/assembly.ts';
import type { Craft } from '../job/records/craft.ts';
import type { Crew } from '../job/records/crew.ts';

/** Who is known by id; the job, or a part of it in tests. */
export interface Workers {
  readonly craft: ReadonlyMap<string, Craft>;
  readonly crew: ReadonlyMap<string, Crew>;
}

/** What an hour of those who do the work costs, and how many they are. */
export interface CrewRates {
  /** Labor hours in an hour that all of them work: 1 for a craft alone. */
  readonly people: number;
  /** For an hour of all of them, burden included. */
  readonly wages: number;
  readonly machines: number;
  readonly dayHours: number;
  /** Nobody is named, or a wage is missing: the hours are known, what they cost is not. */
  readonly noWage?: Failure;
}

export const DAY_HOURS = 8;

const toNumber = (decimal: string | undefined): number =>
  decimal === undefined || decimal === '' ? 0 : Number(decimal);

/** A craft's hour with its burden: 40.00 with 35 % is 54.00. */
export const burdenedWage = ({ wage, burden }: Pick<Craft, 'wage' | 'burden'>): number =>
  toNumber(wage) * (1 + toNumber(burden) / 100);

/** Who works: by craft, or by crew. */
export interface Worker {
  readonly craftId?: Id<'craft'> | null | undefined;
  readonly crewId?: Id<'crew'> | undefined;
}

/** The craft or crew that works; where a wage is missing, whose. */
export function crewRatesOf({ craftId, crewId }: Worker, workers: Workers): CrewRates {
  const crew = crewId === undefined ? undefined : workers.crew.get(crewId);
  if (crew !== undefined) return ratesOfCrew(crew, workers);
  const craft = craftId === null || craftId === undefined ? undefined : workers.craft.get(craftId);
  const alone = { people: 1, wages: 0, machines: 0, dayHours: DAY_HOURS };
  if (craft === undefined || craft.wage === '')
    return { ...alone, noWage: { kind: 'no-wage', craft: craft?.name ?? '' } };
  return { ...alone, wages: burdenedWage(craft) };
}

export function ratesOfCrew(crew: Crew, workers: Workers): CrewRates {
  let [people, wages] = [0, 0];
  let noWage: Failure | undefined;
  for (const { craftId, count } of crew.members) {
    const craft = workers.craft.get(craftId);
    people += count;
    if (craft === undefined || craft.wage === '')
      noWage ??= { kind: 'no-wage', craft: craft?.name ?? crew.name };
    else wages += count * burdenedWage(craft);
  }
  const machines = crew.machines.reduce((sum, { count, hourly }) => sum + count * toNumber(hourly), 0);
  const dayHours = toNumber(crew.dayHours);
  return {
    people,
    wages,
    machines,
    dayHours: dayHours > 0 ? dayHours : DAY_HOURS,
    ...(noWage === undefined ? {} : { noWage }),
  };
}

/**
 * Labor hours for one unit from how the production was said: the hours themselves, or the units that
 * craft or crew do in an hour or a day. Undefined while there is no figure.
 */
export function hoursPerUnit(
  by: ComponentLabor['by'],
  figure: string,
  { people, dayHours }: Pick<CrewRates, 'people' | 'dayHours'>,
): number | undefined {
  const value = toNumber(figure);
  if (by === 'hours') return figure === '' ? undefined : value;
  if (value <= 0) return undefined;
  return (people * (by === 'hourly' ? 1 : dayHours)) / value;
}
