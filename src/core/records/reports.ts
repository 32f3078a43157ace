/** How a report stands: made and not handed over yet; handed over; asked about; sent back; acknowledged; waived in writing. */
export const REPORT_STATES = ["waiting", "sent", "question", "refused", "acknowledged", "waived"] as const;
export type ReportState = (typeof REPORT_STATES)[number];
