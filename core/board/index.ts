/**
 * One state for each talent and station: not started, planned, verified, redo; with what weighs against it. It reads the
 * records of a shoot and what planning makes of them.
 */
export type { BoardCatalogue, HomeCatalogue, RiskMessage } from "./messages";
export { shootProgress, type ShootProgress } from "./shootProgress";
export { boardLines, boardOf, lineId, type BoardLine, type Risk, type Stitch } from "./board";
export { linkStateOf } from "./linkState";
export { nextActions, type NextAction } from "./nextActions";
export { newsOf, planBoard, withPartNews, type PartNews, type PlannedLine } from "./planBoard";
export { STATIONS, STATION_IDS, type StationId } from "./stations";
