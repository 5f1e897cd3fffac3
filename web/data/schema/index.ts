export * from "./auth";
export * from "./book";
export * from "./find";
export * from "./log";
export * from "./mixing";
export * from "./round";
export * from "./transfer";
