import type { Status } from "@/core/flora";

/** A site as the Bench needs it: its place, its setting and its own list. */
export interface BenchSite {
  id: string;
  name: string;
  centre: [number, number];
  setting: Record<string, string[]>;
  status: Record<string, Status>;
  actions: Record<string, string>;
  patches: { id: string; name: string }[];
}
