import { longDate } from "@keel-round/core/calendar";
import type { DayRequest } from "@/data/series/dayRequests";
import { Field, Wrong } from "./Field";
import { Hidden } from "./Hidden";
import { type Part, wrongWith } from "./shown";

/** When somebody comes next, and how to ask for another day. */
export function NextPart({ part }: { part: Part }) {
  const { page, said } = part;
  const { next, calendar, requests } = page;
  const [request] = requests;
  return (
    <section id="day">
      <h2>Next visit</h2>
      {next ? (
        <>
          <p style={{ fontSize: 22, fontWeight: 660 }}>
            {longDate(next.on)}
            {next.about ? `, about ${next.about}` : ""}
          </p>
          <p>{next.says}</p>
        </>
      ) : (
        <p>No day is fixed yet. We will tell you.</p>
      )}
      {said === "day" && (
        <p className="said" role="status">
          We have your wish and will answer it here.
        </p>
      )}
      {request && <Asked request={request} />}
      {next && <AskForm part={part} stopId={next.stopId} open={wrongAny(part)} again={!!request} />}
      {calendar && (
        <p>
          <a href={calendar}>Put our visits into your calendar</a>
        </p>
      )}
    </section>
  );
}

const wrongAny = ({ rejected }: Part): boolean => rejected?.form === "day";

function Asked({ request }: { request: DayRequest }) {
  const wish = request.wishedOn ? `You asked for ${longDate(request.wishedOn)}` : "You asked for another day";
  if (!request.answer) return <p>{`${wish} instead of ${longDate(request.insteadOf)}. We have not answered yet.`}</p>;
  const answer = request.answer === "moved" ? `It is on ${longDate(request.on)} now.` : "It stays on its day.";
  return (
    <p>
      {`${wish} instead of ${longDate(request.insteadOf)}. ${answer}`} {request.answerText}
    </p>
  );
}

function AskForm({ part, stopId, open, again }: { part: Part; stopId: string; open: boolean; again: boolean }) {
  return (
    <details open={open}>
      <summary>{again ? "Ask once more" : "Ask for another day"}</summary>
      <form method="post" action={`/owner/${part.page.tankId}`}>
        <Hidden part={part} form="day" values={{ stopId }} />
        <Field
          part={part}
          form="day"
          name="wishedOn"
          type="date"
          label="Which day suits you"
          min={part.page.today.on}
        />
        <Field part={part} form="day" name="why" label="Anything we should know" />
        <Wrong says={wrongWith(part, "day")} />
        <button className="go" type="submit">
          Ask for this day
        </button>
      </form>
    </details>
  );
}
