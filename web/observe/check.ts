import { wrongSettings } from "./settings";

// Says what is wrong with the settings of the environment, a line each, and ends with 1 where something is.
const wrong = wrongSettings(process.env);
for (const { name, says } of wrong) console.error(`${name}: ${says}`);
process.exit(wrong.length === 0 ? 0 : 1);
