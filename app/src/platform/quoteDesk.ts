import * as z from 'zod';
import type { PriceRequest } from '@zest/core/job/records/request';
import type { Settings } from '@zest/core/job/records/settings';

/** How long the desk may take; then it is as good as down. */
const PATIENCE_MS = 15_000;

const sentSchema = z.object({
  suppliers: z.array(z.object({ key: z.string(), token: z.string().max(200) })),
});

const answerSchema = z.object({
  at: z.string(),
  declined: z.boolean(),
  validUntil: z.string().regex(/^(\d{4}-\d{2}-\d{2})?$/),
  note: z.string().max(20_000),
  rows: z
    .array(
      z.object({
        key: z.string(),
        price: z.string().regex(/^(\d{1,12}(\.\d{1,8})?)?$/),
        unit: z.string().max(200),
        leadDays: z.string().regex(/^\d{0,4}$/),
        substitute: z.string().max(200),
        note: z.string().max(200),
      }),
    )
    .max(2000),
});
const answersSchema = z.object({
  suppliers: z.array(z.object({ key: z.string(), answer: answerSchema.nullable() })),
});

/** Why the desk did not do what it was asked: it is not there, it failed, or what it said makes no sense. */
export type DeskProblem = 'unreachable' | 'failed' | 'broken';
export type DeskResult<Value> =
  { readonly ok: true; readonly value: Value } | { readonly ok: false; readonly problem: DeskProblem };

async function ask<Value>(
  path: string,
  init: RequestInit,
  schema: z.ZodType<Value>,
): Promise<DeskResult<Value>> {
  let response: Response;
  try {
    response = await fetch(`/api/desk/requests/${path}`, {
      ...init,
      signal: AbortSignal.timeout(PATIENCE_MS),
    });
  } catch {
    return { ok: false, problem: 'unreachable' };
  }
  if (!response.ok) return { ok: false, problem: 'failed' };
  try {
    const read = schema.safeParse(await response.json());
    return read.success ? { ok: true, value: read.data } : { ok: false, problem: 'broken' };
  } catch {
    return { ok: false, problem: 'broken' };
  }
}

/** Sends a request; sent again it asks nobody twice. Gives the token of each supplier's page. */
export const sendRequest = (
  request: PriceRequest,
  { company, currency }: Settings,
): Promise<DeskResult<z.infer<typeof sentSchema>>> =>
  ask(
    encodeURIComponent(request.id),
    {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({
        secret: request.secret,
        name: request.name,
        company,
        currency,
        due: request.due,
        note: request.note,
        rows: request.rows.map(({ key, partNumber, description, unit, quantity }) => ({
          key,
          partNumber,
          description,
          unit,
          quantity,
        })),
        suppliers: request.suppliers.map(({ key, name }) => ({ key, name })),
      }),
    },
    sentSchema,
  );

/** What suppliers have answered so far. */
export const fetchAnswers = ({
  id,
  secret,
}: PriceRequest): Promise<DeskResult<z.infer<typeof answersSchema>>> =>
  ask(`${encodeURIComponent(id)}/answers`, { headers: { Authorization: `Bearer ${secret}` } }, answersSchema);
