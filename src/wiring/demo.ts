import type { RegistryPort } from "@/ports/registry";
import { SampleRegistry } from "@/stand-ins/sample-registry";

/** The invented registry as the past of the demonstration knew it: the same each time. */
export const registryOfThePast = (): RegistryPort => new SampleRegistry({ seed: 26 });
