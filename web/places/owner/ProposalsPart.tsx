import { duration, sayDay } from "@keel-round/core/calendar";
import type { Proposal } from "@/data/owner/proposals";
import { Wrong } from "./Field";
import { Hidden } from "./Hidden";
import { type Part, wrongWith } from "./shown";

/** What the firm proposes, with its reason and what happens if not; and what was answered. */
export function ProposalsPart({ part, zoneDay }: { part: Part; zoneDay: (at: Date) => string }) {
  const { proposals } = part.page;
  if (proposals.length === 0) return null;
  return (
    <section id="proposal">
      <h2>For you to decide</h2>
      {(part.said === "agreed" || part.said === "declined") && (
        <p className="said" role="status">
          {part.said === "agreed" ? "Thank you: we do it on the next visit." : "We leave it, and say so in our notes."}
        </p>
      )}
      <Wrong says={wrongWith(part, "proposal")} />
      {proposals.map((p) => (
        <One key={p.id} part={part} of={p} zoneDay={zoneDay} />
      ))}
    </section>
  );
}

function One({ part, of, zoneDay }: { part: Part; of: Proposal; zoneDay: (at: Date) => string }) {
  const { what, why, ifNot, minutes, answer, answeredAt, answerBy, unanswered } = of;
  const on = answeredAt ? sayDay(zoneDay(answeredAt)) : "";
  return (
    <form method="post" action={`/owner/${part.page.tankId}`} style={{ marginTop: 14 }}>
      <Hidden part={part} form="proposal" values={{ proposalId: of.id }} />
      <p>
        <strong>{what}.</strong> {why} {ifNot} {`It takes ${duration(minutes)} of a visit.`}
      </p>
      {unanswered && <p className="soft">{`We had no answer by ${sayDay(answerBy)}, and left it. You still may.`}</p>}
      {answer && <p className="soft">{`You ${answer === "agreed" ? "agreed" : "said not now"} on ${on}.`}</p>}
      <div className="two">
        {answer !== "declined" && (
          <button name="answer" value="declined" type="submit" aria-label={`Not now: ${what}`}>
            Not now
          </button>
        )}
        {answer !== "agreed" && (
          <button name="answer" value="agreed" type="submit" aria-label={`Agree: ${what}`}>
            Agree
          </button>
        )}
      </div>
    </form>
  );
}
