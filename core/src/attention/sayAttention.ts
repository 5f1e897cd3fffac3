import { addDays } from "../calendar/index.ts";
import { type Message, m, type Value } from "../say/index.ts";
import { togetherSentence } from "../trend/index.ts";
import type { Parameter } from "../units/index.ts";
import { conditionMessage } from "../words/index.ts";
import type { AttentionItem } from "./attention.ts";

/** When the next visit is; null where none is planned. */
interface When {
  /** The day it was judged on. */
  readonly on: string;
  readonly nextVisitOn: string | null;
}

const read = (parameter: Parameter, reading: number): Value => ({ reading: Math.max(0, reading), of: parameter });

/** What is the matter, with its figures. */
export function attentionSentence(item: AttentionItem, { on }: When): Message {
  switch (item.code) {
    case "condition":
      return conditionMessage(item.reason);
    case "crosses": {
      const day = (days: number): Value => ({ day: addDays(on, Math.round(days)) });
      const told = {
        parameter: { parameter: item.parameter, begins: true },
        limit: read(item.parameter, item.limit),
        on: day(item.inDays),
        from: day(item.earliestDays),
      };
      const edge = item.edge === "act" ? "act" : "other";
      return item.latestDays === null
        ? m("attention.crosses-open", { ...told, edge })
        : m("attention.crosses", { ...told, edge, to: day(item.latestDays) });
    }
    case "together":
      return togetherSentence(item);
    case "outlier":
      return m("attention.outlier", {
        parameter: { parameter: item.parameter, begins: true },
        value: read(item.parameter, item.value),
        on: { day: item.on },
      });
    case "disagree":
      return m("attention.disagree", {
        parameter: { parameter: item.parameter, begins: true },
        on: { day: item.on },
        low: read(item.parameter, item.values[0]),
        high: read(item.parameter, item.values[1]),
      });
  }
}

/** What to do about it. */
export function attentionAdvice(item: AttentionItem, { on, nextVisitOn }: When): Message {
  switch (item.code) {
    case "crosses":
      if (!nextVisitOn) return m("attention.do.plan");
      return m(addDays(on, Math.floor(item.inDays)) < nextVisitOn ? "attention.do.come" : "attention.do.watch", {
        next: { day: nextVisitOn },
      });
    case "outlier":
      return m("attention.do.test-again");
    case "together":
      return m("attention.do.ratio");
    case "disagree":
      return m("attention.do.third");
    case "condition":
      return m(`attention.do.${item.reason.code}`);
  }
}
