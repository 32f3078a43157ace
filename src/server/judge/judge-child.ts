import { InputError } from "@/core/errors";
import type { Case } from "@/core/identify";
import type { Amendment } from "@/core/pack";
import { modelWith } from "../flora/flora-models";
import { judgeFinding } from "./judge-finding";

// Read ahead, so that the first finding need not wait for it.
modelWith([]);

// The process beside the web process that judges findings. It lives as long as its parent does.
process.on("message", ({ id, amendments, given }: { id: number; amendments: Amendment[]; given: Case }) => {
  try {
    process.send?.({ id, judged: judgeFinding(modelWith(amendments), given) });
  } catch (error) {
    if (error instanceof InputError) process.send?.({ id, input: error.toJSON() });
    else process.send?.({ id, fault: (error as Error).name });
  }
});
process.on("disconnect", () => process.exit(0));
