import { sayDay } from "@keel-round/core/calendar";
import type { Told } from "@/data/owner/told";
import { Wrong } from "./Field";
import { Hidden } from "./Hidden";
import { type Part, typedIn, wrongWith } from "./shown";

const BECAME: Readonly<Record<Told["state"], string>> = {
  open: "we look at it on the next visit",
  carried: "we look again on the next visit",
  fixed: "seen to",
  owner: "seen, and for you to see to",
};

/** What the owner saw, with a picture, and what became of what they told before. */
export function TellPart({ part, zoneDay }: { part: Part; zoneDay: (at: Date) => string }) {
  const { firm, told } = part.page;
  const wrong = wrongWith(part, "told", "text");
  return (
    <section id="told">
      <h2>Tell us what you saw</h2>
      {(part.said === "told" || part.said === "told-urgent") && (
        <p className="said" role="status">
          {part.said === "told"
            ? "Thank you. It stands on the plan of the next visit."
            : `Thank you: we are told at once. If an animal is in danger, call ${firm.phone} now.`}
        </p>
      )}
      <form method="post" action={`/owner/${part.page.tankId}`} encType="multipart/form-data">
        <Hidden part={part} form="told" />
        <label className="field" htmlFor="told-text">
          <span>What is different, and since when</span>
          <textarea
            id="told-text"
            name="text"
            rows={4}
            maxLength={1000}
            defaultValue={typedIn(part, "told", "text")}
            aria-invalid={wrong ? true : undefined}
            aria-describedby={wrong ? "told-wrong" : undefined}
          />
        </label>
        <Wrong id="told-wrong" says={wrong} />
        <label className="field" htmlFor="told-picture">
          <span>A picture, if it helps</span>
          <input id="told-picture" name="picture" type="file" accept="image/*" />
        </label>
        <Wrong says={wrongWith(part, "told", "picture") ?? wrongWith(part, "told")} />
        <button className="go" type="submit">
          Send to {firm.name}
        </button>
      </form>
      {told.map((t) => (
        <p key={t.id} className="soft">
          {`${sayDay(zoneDay(t.at))}: “${t.text}”: ${BECAME[t.state]}${t.photoIds.length > 0 ? ", with your picture" : ""}.`}
        </p>
      ))}
      <p style={{ marginTop: 22 }}>
        Fish gasping at the surface, or the floor is wet? Call{" "}
        <a href={`tel:${firm.phone.replaceAll(" ", "")}`}>
          <strong>{firm.phone}</strong>
        </a>
        .
      </p>
    </section>
  );
}
