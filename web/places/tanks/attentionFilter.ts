import type { AttentionItem } from "@keel-round/core/attention";

/** What of the list is shown. */
export const ATTENTION_SHOWS = ["now", "edges", "tests", "odd"] as const;
export type AttentionShow = (typeof ATTENTION_SHOWS)[number];

export const isAttentionShow = (text: string | undefined): text is AttentionShow =>
  ATTENTION_SHOWS.some((s) => s === text);

/** Whether an item belongs to what is shown. */
export function ofShow(item: AttentionItem, show: AttentionShow): boolean {
  switch (show) {
    case "now":
      return item.withinDays <= 0;
    case "edges":
      return item.code === "crosses";
    case "tests":
      return item.code === "condition" && item.reason.code === "no-reading";
    case "odd":
      return item.code === "outlier" || item.code === "disagree" || item.code === "together";
  }
}

/** The address of the list as it is shown: it can be kept and sent. */
export function attentionHref(show: AttentionShow | null, page = 1): string {
  const params = new URLSearchParams({ ...(show ? { show } : {}), ...(page > 1 ? { page: String(page) } : {}) });
  return `/tanks/attention${params.size > 0 ? `?${params}` : ""}`;
}
