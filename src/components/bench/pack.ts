import type { Climate } from "@/core/flora";
import type { BenchSite } from "./site";

/** All that the Bench needs of a district besides the flora: kept on the device, it works there without a signal. */
export interface BenchPack {
  /** whose drafts and findings: district and person */
  key: string;
  person: string;
  district: string;
  /** where the engine finds the flora: the shipped one, or with the district's amendments */
  floraUrl: string;
  sites: BenchSite[];
  /** status of each plant in the district as a whole */
  status: BenchSite["status"];
  costs: { wrongClear: number; missedTarget: number; hold: number };
  confirmed: Record<string, number>;
  climate: Climate;
  today: string;
  /** the district's time zone; absent in packs that were kept before it was sent */
  zone?: string;
  maySave: boolean;
  /** drawn photographs may be asked for */
  demonstration: boolean;
}
