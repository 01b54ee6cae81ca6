import type * as z from 'zod';
import { type Result, accept, refuse } from '../problem/result.ts';
import type { RecordType } from './id.ts';
import type { FieldFault, JobProblem } from './problem.ts';
import { type JobRecord, RECORD_SCHEMAS, type RecordOf, deepFreeze } from './record.ts';

function nameFault(issue: z.core.$ZodIssue): FieldFault {
  if (issue.code === 'too_big') {
    const limit = Number(issue.maximum);
    return issue.origin === 'string' ? { fault: 'too-long', limit } : { fault: 'too-large', limit };
  }
  if (issue.code === 'too_small') {
    const limit = Number(issue.minimum);
    return issue.origin === 'string' ? { fault: 'empty' } : { fault: 'too-small', limit };
  }
  return { fault: 'not-as-expected', expected: issue.message };
}

/** Checks a record against its schema; strict, so that an unknown field is refused by name. */
export function checkRecord<Type extends RecordType>(
  type: Type,
  record: unknown,
): Result<RecordOf<Type>, JobProblem> {
  const parsed = RECORD_SCHEMAS[type].safeParse(record);
  if (parsed.success) return accept(deepFreeze(parsed.data) as RecordOf<Type>);
  const issue = parsed.error.issues[0];
  if (issue === undefined) throw new Error('checkRecord: a refused record has no issue');
  const path = issue.path.join('.');
  if (issue.code === 'unrecognized_keys') {
    const field = [path, issue.keys[0]].filter(Boolean).join('.');
    return refuse({ kind: 'record-unknown-field', type, field });
  }
  return refuse({ kind: 'record-invalid', type, field: path, reason: nameFault(issue) });
}

/** Checks a record that says its own type. */
export const checkAnyRecord = (record: JobRecord): Result<JobRecord, JobProblem> =>
  checkRecord(record.type, record);
