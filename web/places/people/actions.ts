"use server";

import {
  changeRole,
  InviteSchema,
  invitePerson,
  leave,
  mailAgain,
  PersonSchema,
  RoleSchema,
} from "@/data/access/people";
import { defineAction } from "@/data/define";
import { whenOf } from "@/data/when";

/** Adds a person and mails them a way in. */
export const inviteAction = defineAction({
  name: "people.invite",
  roles: ["office"],
  input: InviteSchema,
  foreign: (ids) => ({
    name: "X",
    email: `${ids.personId}@nowhere.example`,
    role: "owner" as const,
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
