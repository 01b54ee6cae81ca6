import type { RecordType } from './id.ts';

/** Why a change to a job is refused. */
export type JobProblem =
  | {
      readonly kind: 'record-invalid';
      readonly type: RecordType;
      readonly field: string;
      readonly reason: FieldFault;
    }
  | { readonly kind: 'record-unknown-field'; readonly type: RecordType; readonly field: string }
  | {
      readonly kind: 'record-missing-reference';
      readonly type: RecordType;
      readonly id: string;
      readonly missing: string;
    }
  | { readonly kind: 'key-taken'; readonly key: string }
  | { readonly kind: 'key-reserved'; readonly key: string }
  | { readonly kind: 'code-taken'; readonly code: string }
  | { readonly kind: 'record-gone'; readonly id: string }
  | { readonly kind: 'opening-too-wide'; readonly widthM: number; readonly lengthM: number }
  | { readonly kind: 'section-inside-itself'; readonly name: string }
  | { readonly kind: 'assembly-inside-itself'; readonly name: string }
  | { readonly kind: 'name-in-use'; readonly name: string; readonly users: readonly string[] }
  | { readonly kind: 'difficulty-in-use'; readonly name: string; readonly count: number }
  | { readonly kind: 'assembly-in-use'; readonly name: string; readonly scopes: readonly string[] }
  | { readonly kind: 'section-in-use'; readonly name: string; readonly count: number }
  | { readonly kind: 'margin-too-large'; readonly name: string }
  | { readonly kind: 'crew-in-use'; readonly name: string; readonly count: number }
  | { readonly kind: 'craft-in-use'; readonly name: string; readonly count: number };

export type FieldFault =
  | { readonly fault: 'empty' }
  | { readonly fault: 'too-long'; readonly limit: number }
  | { readonly fault: 'too-large'; readonly limit: number }
  | { readonly fault: 'too-small'; readonly limit: number }
  | { readonly fault: 'not-as-expected'; readonly expected: string };
