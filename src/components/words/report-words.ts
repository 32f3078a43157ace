import type { ReportState } from "@/core/records";

/** How a report stands. */
export const REPORT_WORDS: Record<ReportState, string> = {
  waiting: "Waits to be handed over",
  sent: "Sent, not acknowledged yet",
  question: "The registry asks something",
  refused: "Sent back",
  acknowledged: "Acknowledged",
  waived: "Waived in writing",
};
