"use client";

export const PrintButton = () => (
  <button type="button" className="button press" onClick={() => window.print()}>
    Print
  </button>
);
