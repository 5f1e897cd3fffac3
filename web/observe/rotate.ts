import { closeDatabase } from "@/data/database/connection";
import { rotateSecrets } from "@/data/secrets/rotate";

const { doorCodes, letters, secondFactors } = await rotateSecrets();
await closeDatabase();
console.log(
  `Sealed under the secret of today: the door codes of ${doorCodes} sites, the links of ${letters} letters, ${secondFactors} authenticator apps.`,
);
console.log(
  "BETTER_AUTH_SECRET_BEFORE can be taken out of the settings now. Calendar addresses of before end with it.",
);
