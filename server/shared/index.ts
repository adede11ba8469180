/**
 * Links to one thing, for people without an account: a talent sees their own placement and answers for themselves; anybody reads
 * a call sheet, a sound report or a list of what is delivered.
 */
export { makeTalentLink, openTalentLink, answerTalentLink } from "./talentLink";
export { requestLinkDeed, listLinks, openSheet } from "./sheetLink";
