export * from "./auth";
export * from "./book";
export * from "./log";
export * from "./round";
