import type { Role } from "@/core/roles";

/**
 * What each role may do, written by hand and reviewed: the list of acts itself comes from the code. "anyone" needs no sign-in;
 * "signed-in" asks for no role, because it is about one's own account or device.
 */
export type WhoMay = readonly Role[] | "anyone" | "signed-in";

/** Acts of forms, by their name in the code. */
export const ACTIONS: Record<string, WhoMay> = {
  // one's own account
  signInAction: "anyone",
  signOutAction: "anyone",
  forgotAction: "anyone",
  setUpAction: "anyone",
  acceptAction: "anyone",
  choosePasswordAction: "anyone",
  proveAddressAction: "anyone",
  signOutEverywhereAction: "signed-in",
  nameAction: "signed-in",
  addressAction: "signed-in",
  passwordAction: "signed-in",
  beginCodesAction: "signed-in",
  confirmCodesAction: "signed-in",
  endCodesAction: "signed-in",
  leaveAction: "signed-in",
  chooseDistrict: "signed-in",
  // findings
  overruleAction: ["specialist"],
  confirmAction: ["specialist"],
  newVerdictAction: ["specialist", "keeper"],
  roundPatchAction: ["scout", "specialist"],
  // ground
  withdrawPatchAction: ["specialist"],
  waterSeenAction: ["scout", "specialist", "applicator"],
  mappedWaterAction: ["keeper", "specialist"],
  // reports
  reportAction: ["scout", "specialist"],
  answerQuestionAction: ["scout", "specialist"],
  acknowledgeAction: ["specialist", "keeper"],
  waiveAction: ["specialist"],
  // control
  planAction: ["specialist"],
  changePlanAction: ["specialist"],
  checkLabelAction: ["specialist"],
  partDoneAction: ["applicator", "specialist"],
  dropPlanAction: ["specialist"],
  sizeAction: ["scout", "specialist", "applicator"],
  wordAction: ["specialist"],
  goneAction: ["specialist"],
  ownMethodAction: ["specialist"],
  giveUpOwnMethodAction: ["specialist"],
  crewAction: ["specialist", "keeper"],
  endCrewAction: ["specialist", "keeper"],
  weekHoursAction: ["specialist", "keeper"],
  renewFeedAction: "signed-in",
  endFeedAction: "signed-in",
  statusAction: ["specialist", "keeper"],
  takeOffListAction: ["specialist", "keeper"],
  costsAction: ["keeper"],
  // records
  checkAction: ["scout", "specialist", "applicator"],
  treatmentAction: ["applicator", "specialist"],
  voidAction: ["specialist"],
  labelAction: ["specialist", "applicator"],
  // practice
  drillSetAction: ["specialist"],
  endDrillSetAction: ["specialist"],
  sayConsentAction: "signed-in",
  // the district's flora
  amendAction: ["specialist"],
  revertAction: ["specialist"],
  // people and settings
  inviteAction: ["keeper"],
  revokeInvitationAction: ["keeper"],
  rolesAction: ["keeper"],
  removeAction: ["keeper"],
  settingsAction: ["keeper"],
  seasonAction: ["keeper"],
};

/** Routes that change something, by method and path of the code. */
export const ROUTES: Record<string, WhoMay> = {
  "POST /api/v1/session": "anyone",
  "DELETE /api/v1/session": "anyone",
  "POST /api/v1/findings": ["scout", "specialist"],
  "PUT /api/v1/pictures/[id]": ["scout", "specialist"],
  "POST /api/v1/pictures/[id]/marks": ["scout", "specialist"],
  "PUT /api/v1/check-pictures/[id]": ["scout", "specialist", "applicator"],
  "PUT /api/v1/label-papers/[id]": ["applicator", "specialist"],
  "POST /api/v1/patches": ["scout", "specialist"],
  "POST /api/v1/sites": ["keeper", "specialist"],
  "POST /api/v1/features": ["keeper", "specialist"],
  "POST /api/v1/jobs": ["specialist", "keeper"],
  "DELETE /api/v1/jobs/[id]": ["specialist", "keeper"],
  "POST /api/v1/drill-answers": "signed-in",
  "POST /api/v1/packs": ["specialist"],
  "POST /api/v1/packs/[preview]/take": ["specialist"],
};
