"use client";
import { Button } from "../ui/button";

/** Prints the page as it stands; the browser makes a PDF of it too. */
export const PrintButton = ({ words = "Print" }: { words?: string }) => (
  <Button look={words === "Print" ? "press" : "outline"} onClick={() => window.print()}>
    {words}
  </Button>
);
