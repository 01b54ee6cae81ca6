/** What is asked of suppliers, as the app sends it; figures are plain decimals. */
export interface AskedRow {
  readonly key: string;
  readonly partNumber: string;
  readonly description: string;
  readonly unit: string;
  readonly quantity: string;
}

export interface AskedRequest {
  readonly id: string;
  readonly secret: string;
  readonly name: string;
  readonly company: string;
  /** ISO day by which an answer is wanted; empty for any. */
  readonly due: string;
  readonly note: string;
  readonly currency: string;
  readonly rows: readonly AskedRow[];
  readonly suppliers: readonly { readonly key: string; readonly name: string }[];
}

export interface AnswerRow {
  readonly key: string;
  readonly price: string;
  readonly unit: string;
  readonly leadDays: string;
  readonly substitute: string;
  readonly note: string;
}

export interface Answer {
  readonly declined: boolean;
  readonly validUntil: string;
  readonly note: string;
  readonly rows: readonly AnswerRow[];
}

export interface KeptRequest extends Omit<AskedRequest, 'suppliers'> {
  readonly suppliers: readonly {
    readonly key: string;
    readonly name: string;
    readonly token: string;
    /** With the moment it came, ISO. */
    readonly answer?: Answer & { readonly at: string };
  }[];
}

const LIMITS = { rows: 2000, suppliers: 30, text: 20_000, short: 400 } as const;
const KEY = /^[a-z_][a-z0-9_]{0,59}$/;
const ID = /^request:[0-9a-z-]{1,40}$/;

const isText = (value: unknown, limit: number): value is string =>
  typeof value === 'string' && value.length <= limit;
const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const SHORT_FIELDS = ['secret', 'name', 'company', 'due', 'currency'] as const;

/** A request that is complete; undefined for anything else. */
export function readAsked(id: string | undefined, body: unknown): AskedRequest | undefined {
  if (id === undefined || !ID.test(id) || !isRecord(body)) return undefined;
  const { rows, suppliers, note } = body;
  if (!SHORT_FIELDS.every((field) => isText(body[field], LIMITS.short)) || !isText(note, LIMITS.text))
    return undefined;
  if (String(body['secret']).length < 16) return undefined;
  if (!Array.isArray(rows) || rows.length === 0 || rows.length > LIMITS.rows || !rows.every(isRow))
    return undefined;
  if (!Array.isArray(suppliers) || suppliers.length > LIMITS.suppliers || !suppliers.every(isSupplier))
    return undefined;
  const text = (field: (typeof SHORT_FIELDS)[number]): string => String(body[field]);
  return {
    id,
    note,
    rows,
    suppliers,
    secret: text('secret'),
    name: text('name'),
    company: text('company'),
    due: text('due'),
    currency: text('currency'),
  };
}

const isRow = (row: unknown): row is AskedRow =>
  isRecord(row) &&
  typeof row['key'] === 'string' &&
  KEY.test(row['key']) &&
  (['partNumber', 'description', 'unit', 'quantity'] as const).every((field) =>
    isText(row[field], LIMITS.short),
  );

const isSupplier = (supplier: unknown): supplier is { readonly key: string; readonly name: string } =>
  isRecord(supplier) &&
  typeof supplier['key'] === 'string' &&
  KEY.test(supplier['key']) &&
  isText(supplier['name'], LIMITS.short);

export interface AnswerRead {
  readonly answer: Answer;
  /** What is wrong, in words. */
  readonly problems: readonly string[];
  /** What was typed, to be shown again. */
  readonly typed: Readonly<Record<string, string>>;
}

const PRICE = /^\d{1,9}(\.\d{1,4})?$/;
const DAY = /^\d{4}-\d{2}-\d{2}$/;

/** `$12.50` and `12,50` as a plain decimal; a comma before three digits could be either, and stays to be refused. */
const plainPrice = (text: string): string =>
  text.replace(/^[$€£]\s*|\s*[$€£]$/g, '').replace(/^(\d+),(\d{1,2}|\d{4})$/, '$1.$2');

/** What a supplier typed into the page. What is wrong is told by the row it is in, and nothing of it is lost. */
export function readAnswer({ rows }: KeptRequest, body: Readonly<Record<string, unknown>>): AnswerRead {
  const typed = Object.fromEntries(
    Object.entries(body).map(([name, value]) => [
      name,
      (typeof value === 'string' ? value : '').slice(0, LIMITS.short),
    ]),
  );
  const say = (name: string): string => (typed[name] ?? '').trim();
  const declined = say('decline') !== '';
  const problems: string[] = [];
  const validUntil = say('valid');
  if (validUntil !== '' && !DAY.test(validUntil))
    problems.push('Write the day your prices are valid until as 2026-12-31.');
  const answered = rows.flatMap(({ key, description, unit }): readonly AnswerRow[] => {
    const price = plainPrice(say(`price_${key}`));
    const leadDays = say(`lead_${key}`);
    const substitute = say(`substitute_${key}`);
    const note = say(`note_${key}`);
    if (price === '' && substitute === '' && note === '') return [];
    if (price !== '' && !PRICE.test(price))
      problems.push(`The price for ${description} isn’t a number. Write it as 12.50.`);
    if (leadDays !== '' && !/^\d{1,4}$/.test(leadDays))
      problems.push(`The days for ${description} aren’t a whole number.`);
    return [{ key, price, unit: say(`unit_${key}`) || unit, leadDays, substitute, note }];
  });
  if (!declined && answered.length === 0 && problems.length === 0)
    problems.push('There is no price yet. Type one, or say that you don’t offer.');
  return {
    answer: { declined, validUntil, note: say('note'), rows: declined ? [] : answered },
    problems: declined ? [] : problems,
    typed,
  };
}
