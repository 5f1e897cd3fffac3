"use server";

import { RetentionSchema } from "@keel-round/core/desk";
import { LATELY } from "@/data/access/anew";
import { defineAction } from "@/data/access/define";
import { AskSchema, askForSecondFactor, takeOffFactors } from "@/data/access/factors";
import {
  changeRole,
  InviteSchema,
  invitePerson,
  leave,
  mailAgain,
  PersonSchema,
  RoleSchema,
} from "@/data/access/people";
import { whenOf } from "@/data/access/when";
import { saveWork, WorkSchema } from "@/data/firm/workFacts";
import { erasePerson } from "@/data/privacy/erase";
import { saveRetention } from "@/data/privacy/retention";

/** Adds a person and mails them a way in. */
export const inviteAction = defineAction({
  name: "people.invite",
  roles: ["office"],
  within: LATELY,
  input: InviteSchema,
  foreign: (ids) => ({
    name: "X",
    email: `${ids.personId}@nowhere.example`,
    role: "tankOwner" as const,
    clientId: ids.personId,
  }),
  run: (scope, input) => invitePerson(scope, input, whenOf(scope)),
});

/** Mails somebody their way in once more. */
export const mailAgainAction = defineAction({
  name: "people.mail-again",
  roles: ["office"],
  within: LATELY,
  input: PersonSchema,
  foreign: (ids) => ({ personId: ids.personId }),
  run: (scope, input) => mailAgain(scope, input.personId),
});

/** Changes what somebody does at the firm. */
export const changeRoleAction = defineAction({
  name: "people.role",
  roles: ["office"],
  within: LATELY,
  input: RoleSchema,
  foreign: (ids) => ({ personId: ids.personId, role: "office" as const }),
  run: changeRole,
});

/** Lets somebody go. */
export const leaveAction = defineAction({
  name: "people.leave",
  roles: ["office"],
  within: LATELY,
  input: PersonSchema,
  foreign: (ids) => ({ personId: ids.personId }),
  run: (scope, input) => leave(scope, input.personId, whenOf(scope)),
});

/** Saves when somebody works, what their van carries and what they do. */
export const saveWorkAction = defineAction({
  name: "people.work",
  roles: ["office"],
  within: LATELY,
  input: WorkSchema,
  foreign: (ids) => ({
    ...{ personId: ids.personId, dayStartMinute: 390, dayEndMinute: 1020 },
    ...{ vanKg: 400, vanL: null, vanBarrels: null, workdays: [1], knows: null },
  }),
  run: (scope, input) => saveWork(scope, input, whenOf(scope)),
});

/** Asks everybody who works here for a second factor, or no longer. */
export const askForSecondFactorAction = defineAction({
  name: "people.ask-for-second-factor",
  roles: ["office"],
  within: LATELY,
  input: AskSchema,
  run: (scope, input) => askForSecondFactor(scope, input, whenOf(scope)),
});

/** Takes the second factors of somebody off who lost their phone. */
export const takeOffFactorsAction = defineAction({
  name: "people.take-off-factors",
  roles: ["office"],
  within: LATELY,
  input: PersonSchema,
  foreign: (ids) => ({ personId: ids.personId }),
  run: (scope, input) => takeOffFactors(scope, input.personId, whenOf(scope)),
});

/** Erases the name and the words of somebody who has left. */
export const erasePersonAction = defineAction({
  name: "people.erase",
  roles: ["office"],
  within: LATELY,
  input: PersonSchema,
  foreign: (ids) => ({ personId: ids.personId }),
  run: (scope, input) => erasePerson(scope, input.personId, whenOf(scope)),
});

/** Sets for how long what is about people is kept. */
export const saveRetentionAction = defineAction({
  name: "people.retention",
  roles: ["office"],
  within: LATELY,
  input: RetentionSchema,
  run: (scope, input) => saveRetention(scope, input, whenOf(scope)),
});
