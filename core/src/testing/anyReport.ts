import fc from 'fast-check';
import { REPORT_SOURCES, type ReportSource, type ReportSpec, TOTALS } from '../job/records/report.ts';
import { hasField } from '../reports/columns.ts';
import { FIELDS } from '../reports/fields/fields.ts';
import { sourceOf } from '../reports/sources.ts';

const ALL_FIELDS = Object.entries(FIELDS).flatMap(([owner, fields]) =>
  Object.keys(fields).map((name) => `${owner}.${name}`),
);
const fieldsOf = (source: ReportSource): readonly string[] =>
  ALL_FIELDS.filter((field) => hasField(sourceOf(source), field));

/** Any report of a source: columns, groups, sorts, totals and conditions of whatever fields its rows have. */
const anyReportOf = (source: ReportSource): fc.Arbitrary<ReportSpec> => {
  const fields = fieldsOf(source);
  return fc
    .tuple(
      fc.uniqueArray(fc.constantFrom(...fields), { minLength: 2, maxLength: 8 }),
      fc.array(fc.tuple(fc.nat(7), fc.boolean()), { maxLength: 3 }),
      fc.array(fc.tuple(fc.nat(7), fc.boolean()), { maxLength: 2 }),
      fc.array(fc.constantFrom(...TOTALS), { minLength: 8, maxLength: 8 }),
      fc.option(fc.tuple(fc.constantFrom(...fields), fc.constantFrom('empty', 'filled', 'more', 'contains'))),
    )
    .map(([chosen, groups, sorts, totals, condition]): ReportSpec => {
      const keyAt = (at: number): string => `c${at % chosen.length}`;
      return {
        name: 'Any',
        folder: '',
        source,
        columns: chosen.map((field, at) => ({
          key: `c${at}`,
          of: { field },
          total: { by: totals[at] ?? 'sum', weight: keyAt(at + 1) },
        })),
        groups: groups.map(([at, down], depth) => ({
          column: keyAt(at + depth),
          ...(down ? { descending: true as const } : {}),
          ...(depth === 1 ? { sortBy: keyAt(at + 1) } : {}),
        })),
        sorts: sorts.map(([at, down]) => ({
          column: keyAt(at),
          ...(down ? { descending: true as const } : {}),
        })),
        ...(condition === null
          ? {}
          : {
              filter: { join: 'all' as const, of: [{ field: condition[0], is: condition[1], value: '1' }] },
            }),
        page: {},
      };
    });
};

/** Any report of whatever there is. */
export const anyReport = fc.constantFrom(...REPORT_SOURCES).chain(anyReportOf);
