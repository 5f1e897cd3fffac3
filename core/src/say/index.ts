export { type Code, m, type PlainCode, told } from "./m.ts";
export type { Amount, Message, Value } from "./message.ts";
export { retold } from "./retold.ts";
export { isPlainCode, learn, say, sayAll, textOf } from "./say.ts";
