import { sayOn } from "@keel-round/core/series";

/** The title of a stop that is left out. */
export const leftOutTitle = (stop: { readonly siteName: string; readonly onDate: string }, today: string): string =>
  `${stop.siteName}, ${sayOn(stop.onDate, today)}`;
