import { expose } from "comlink";
import { drillEngine } from "./drill-engine";

expose(drillEngine);
