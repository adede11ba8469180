/**
 * Accounts: who is signed in, in which crew, and what that allows. Without accounts (the local crew) nothing here is asked.
 */
export { accountsOf, hasAccounts } from "./mode";
export { chooseCrew, listCrew, join, requestCrewDeed, requireRight } from "./members";
export { requestMe, signedInCrew, whoIs } from "./signedIn";
export { forgetSessions, isStillIn } from "./sessions";
