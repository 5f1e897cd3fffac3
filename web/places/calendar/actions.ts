"use server";

import { defineAction } from "@/data/access/define";
import { STAFF } from "@/data/access/scope";
import { whenOf } from "@/data/access/when";
import { FeedSchema, makeFeed, RevokeFeedSchema, revokeFeed } from "@/data/calendar/feed";

/** Makes an address at which a calendar can be read. */
export const makeCalendarAction = defineAction({
  name: "calendar.make",
  roles: STAFF,
  input: FeedSchema,
  foreign: (ids) => ({ kind: "site" as const, ofId: ids.siteId }),
  run: (scope, input) => makeFeed(scope, input, whenOf(scope)),
});

/** Takes the address of a calendar back. */
export const revokeCalendarAction = defineAction({
  name: "calendar.revoke",
  roles: STAFF,
  input: RevokeFeedSchema,
  foreign: (ids) => ({ feedId: ids.feedId }),
  run: (scope, { feedId }) => revokeFeed(scope, feedId, whenOf(scope)),
});
