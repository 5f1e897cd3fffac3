"use client";

import { chakra } from "@chakra-ui/react";

/** A cell of a plain table: a thin rule under each row. */
export const Cell = chakra("td", {
  base: { py: "7px", pr: "16px", borderBottomWidth: "1px", borderColor: "rule", verticalAlign: "baseline" },
});

/** A column's heading. */
export const Head = chakra("th", {
  base: {
    pb: "7px",
    pr: "16px",
    textAlign: "left",
    color: "soft",
    fontSize: "13px",
    fontWeight: 620,
    borderBottomWidth: "1px",
    borderColor: "ruleStrong",
  },
});
