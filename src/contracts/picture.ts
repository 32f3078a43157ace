import { z } from "zod";
import { marksSchema } from "@/core/measure";

/** What was marked on a picture; stored once by its own id. */
export const pictureMarksSchema = z.object({ id: z.uuid(), marks: marksSchema });
