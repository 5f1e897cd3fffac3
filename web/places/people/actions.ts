"use server";

import { defineAction } from "@/data/access/define";
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

/** Adds a person and mails them a way in. */
export const inviteAction = defineAction({
  name: "people.invite",
  roles: ["office"],
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
  input: PersonSchema,
  foreign: (ids) => ({ personId: ids.personId }),
  run: (scope, input) => mailAgain(scope, input.personId),
});

/** Changes what somebody does at the firm. */
export const changeRoleAction = defineAction({
  name: "people.role",
  roles: ["office"],
  input: RoleSchema,
  foreign: (ids) => ({ personId: ids.personId, role: "office" as const }),
  run: changeRole,
});

/** Lets somebody go. */
export const leaveAction = defineAction({
  name: "people.leave",
  roles: ["office"],
  input: PersonSchema,
  foreign: (ids) => ({ personId: ids.personId }),
  run: (scope, input) => leave(scope, input.personId, whenOf(scope)),
});

/** Saves when somebody works, what their van carries and what they do. */
export const saveWorkAction = defineAction({
  name: "people.work",
  roles: ["office"],
  input: WorkSchema,
  foreign: (ids) => ({
    ...{ personId: ids.personId, dayStartMinute: 390, dayEndMinute: 1020 },
    ...{ vanKg: 400, vanL: null, vanBarrels: null, workdays: [1], knows: null },
  }),
  run: (scope, input) => saveWork(scope, input, whenOf(scope)),
});
