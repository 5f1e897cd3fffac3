import { clientReport, firmYear } from "@keel-round/core/report";
import { unitsOfLocale } from "@keel-round/core/units";
import { firmMark } from "@/data/letters/images";
import { sendByItself } from "@/data/letters/mail";
import { makeReports } from "@/data/reports/runs";
import { storeReport } from "@/data/reports/store";
import { renderReport } from "@/places/reports/render";

/** Makes the reports that somebody asked for. */
export async function reports(businessId: string, runId: string): Promise<void> {
  const mark = await firmMark(businessId);
  await makeReports(businessId, runId, {
    client: async (facts) => {
      const { content, ...rendered } = await renderReport(
        (detail) => clientReport(facts, detail, unitsOfLocale(facts.locale)),
        mark,
      );
      const letterId = await storeReport(businessId, facts.clientId, facts.period, content, rendered, new Date());
      if (letterId) await sendByItself(businessId, letterId, new Date());
      return letterId !== null;
    },
    firm: (facts, units) => renderReport(() => firmYear(facts, units), mark),
  });
}
