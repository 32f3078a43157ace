"use client";

export const PrintButton = () => (
  <Button look="press" onClick={() => window.print()}>
    Print
  </Button>
);
import { Button } from "../ui/button";
