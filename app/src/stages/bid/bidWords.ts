import type { BidReport } from '@zest/core/reports/bidReport';

/** The sentences of a bid, the same on the screen and in the PDF. */
export function bidWords({ settings }: BidReport): {
  readonly dated: string;
  readonly total: string;
  readonly valid: string;
} {
  return {
    dated: settings.bidDate,
    total: `Total, ${settings.currency}`,
    valid: settings.validDays === 0 ? '' : `This bid is valid for ${settings.validDays} days from its date.`,
  };
}
