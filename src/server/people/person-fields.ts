import { z } from "zod";
import { plainText } from "@/core/limits";

/** How a person is called and reached, in every form that asks. */
export const personName = plainText(2, 80, "give your name");
export const emailAddress = z.email("give an email address").max(200).toLowerCase();
