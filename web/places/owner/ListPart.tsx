import { longDate } from "@keel-round/core/calendar";
import { Field, Wrong } from "./Field";
import { Hidden } from "./Hidden";
import { type Part, wrongWith } from "./shown";

/** Jobs whose figure is asked for beside their tick. */
const FIGURE = { "owner-top-up": "topUp", "owner-temperature": "temperature" } as const;

/** The owner's own list of today, to be ticked, with the figures they read. */
export function ListPart({ part }: { part: Part }) {
  const { list, today } = part.page;
  if (list.length === 0) return null;
  const ticked = part.rejected?.form === "list" ? part.rejected.done : today.done;
  return (
    <section id="list">
      <h2>
        Your list today <small className="soft">{longDate(today.on)}</small>
      </h2>
      <form method="post" action={`/owner/${part.page.tankId}`}>
        <Hidden part={part} form="list" />
        {list.map(({ when, jobs }) => (
          <div key={when}>
            {when !== "Every day" && (
              <p className="soft" style={{ fontSize: 16, marginTop: 12 }}>
                {when}
              </p>
            )}
            {jobs.map((job) => (
              <div key={job.code}>
                <div className="row">
                  <label className="tick">
                    <input type="checkbox" name="done" value={job.code} defaultChecked={ticked.includes(job.code)} />
                    <span>
                      {job.name}
                      {job.caution && (
                        <span className="soft" style={{ display: "block", fontSize: 16 }}>
                          {job.caution}
                        </span>
                      )}
                    </span>
                  </label>
                </div>
                <Figure part={part} code={job.code} />
              </div>
            ))}
          </div>
        ))}
        <Wrong says={wrongWith(part, "list")} />
        {part.said === "list" && (
          <p className="said" role="status">
            Your list of today is saved.
          </p>
        )}
        <button className="go" type="submit">
          {today.saved ? "Save my list again" : "Save my list"}
        </button>
      </form>
    </section>
  );
}

function Figure({ part, code }: { part: Part; code: string }) {
  if (!(code in FIGURE)) return null;
  const name = FIGURE[code as keyof typeof FIGURE];
  const { today } = part.page;
  return name === "topUp" ? (
    <Field
      part={part}
      form="list"
      name={name}
      label="How much you poured in"
      kept={today.topUp}
      unit={part.units.volume}
    />
  ) : (
    <Field
      part={part}
      form="list"
      name={name}
      label="What it read"
      kept={today.temperature}
      unit={part.units.temperature}
    />
  );
}
