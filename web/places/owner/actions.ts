"use server";

import { defineAction } from "@/data/access/define";
import { STAFF } from "@/data/access/scope";
import { whenOf } from "@/data/access/when";
import { ProposeSchema, propose, WithdrawSchema, withdraw } from "@/data/owner/proposals";

/** Proposes something to the owner of a tank. */
export const proposeAction = defineAction({
  name: "owner.propose",
  roles: STAFF,
  input: ProposeSchema,
  foreign: (ids) => ({ tankId: ids.tankId, what: "x", why: "x", ifNot: "x", minutes: 5 }),
  run: (scope, input) => propose(scope, input, whenOf(scope)),
});

/** Takes a proposal back that nobody has answered. */
export const withdrawAction = defineAction({
  name: "owner.withdraw",
  roles: STAFF,
  input: WithdrawSchema,
  foreign: (ids) => ({ proposalId: ids.proposalId }),
  run: (scope, { proposalId }) => withdraw(scope, proposalId, whenOf(scope)),
});
