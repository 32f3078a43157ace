import type { Amendment } from "@/core/pack";
import { costsOf, previewCosts, readCostsPreview, setCosts } from "@/server/control/costs";
import { type PackFile, previewPack, readPackPreview, takePack } from "@/server/flora/packs";
import { changedVerdicts } from "@/server/judge/changed-verdicts";
import { readSecondLook, secondLook } from "@/server/judge/second-look";
import { asMember, type Member } from "@/server/platform/session";

/** What the jobs process does with a job, done at once: read, then calculated. */
const step = async () => undefined;

export const secondLookNow = async (member: Member) => secondLook(await asMember(member, readSecondLook), step);
export const previewPackNow = async (member: Member, files: PackFile[]) =>
  previewPack(await asMember(member, readPackPreview), files, step);
export const takePackNow = (member: Member, files: PackFile[], reason: string) => takePack(member, files, reason);
export const previewCostsNow = async (member: Member, input: Parameters<typeof previewCosts>[1]) =>
  previewCosts(await asMember(member, readCostsPreview), input, step);
export const changedVerdictsNow = async (member: Member, changes: Amendment[]) => {
  const { source, findings } = await asMember(member, readPackPreview);
  return changedVerdicts(source, findings, changes, step);
};

/** Sets costs as they would be set by whoever has just looked at them. */
export const setCostsNow = async (member: Member, costs: Record<string, unknown>) =>
  setCosts(member, { ...costs, version: (await costsOf(member)).version });
