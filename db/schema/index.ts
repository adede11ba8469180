export * from "./kept";
export * from "./shoot";
export * from "./places";
export * from "./people";
export * from "./links";
export * from "./day";
export * from "./takes";
export * from "./log";
