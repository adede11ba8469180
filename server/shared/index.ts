/**
 * Links to one thing, for people without an account: a talent sees their own placement and answers for themselves.
 */
export { makeTalentLink, openTalentLink, answerTalentLink } from "./talentLink";
