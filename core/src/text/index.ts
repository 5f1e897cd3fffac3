export { byText } from "./byText.ts";
