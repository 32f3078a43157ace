import { checkJsonText, type JsonLimits } from "@/core/limits";
import { Refusal } from "./faults";

/** What a finding, a patch or the marks of a picture may weigh: far more than any that is meant. */
const FORM_LIMITS: JsonLimits = { depth: 12, items: 20_000 };
const FORM_BYTES = 400_000;

/** @throws {Refusal} 413 as soon as more comes than is allowed, whatever was announced */
export async function readBytes(request: Request, most: number, what: string): Promise<Buffer> {
  const tooLarge = () => new Refusal(413, `${what} is larger than ${megabytes(most)} MB.`);
  if (Number(request.headers.get("content-length") ?? 0) > most) throw tooLarge();
  const parts: Uint8Array[] = [];
  let size = 0;
  const reader = request.body?.getReader();
  for (let part = await reader?.read(); part?.value; part = await reader?.read()) {
    size += part.value.length;
    if (size > most) {
      reader?.cancel().catch(() => undefined);
      throw tooLarge();
    }
    parts.push(part.value);
  }
  return Buffer.concat(parts);
}

const megabytes = (bytes: number): string => String(Number((bytes / 1e6).toPrecision(2)));

/**
 * The JSON that came, read by a JSON parser, after its size, depth and number of things were looked at.
 * @throws {Refusal} 400, 413 or 415
 */
export async function readJson(request: Request): Promise<unknown> {
  const type = request.headers.get("content-type") ?? "";
  if (!/^application\/json\s*(;|$)/i.test(type)) throw new Refusal(415, "Send this as application/json.");
  const text = (await readBytes(request, FORM_BYTES, "What was sent")).toString("utf8");
  const fault = checkJsonText(text, FORM_LIMITS);
  if (fault) throw new Refusal(400, `The JSON that was sent cannot be accepted: ${fault}.`);
  try {
    return JSON.parse(text);
  } catch {
    throw new Refusal(400, "The body that was sent is not JSON.");
  }
}
