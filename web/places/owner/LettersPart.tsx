import { longDate } from "@keel-round/core/calendar";
import type { Part } from "./shown";

/** What the firm wrote, the newest first. */
export function LettersPart({ part }: { part: Part }) {
  const { letters } = part.page;
  const [last, ...earlier] = letters;
  return (
    <section id="letters">
      <h2>Letters</h2>
      {last ? (
        <p>
          <strong>{longDate(last.on)}.</strong> {last.subject}. <a href={last.path}>Read letter</a>
        </p>
      ) : (
        <p>You have no letter yet: one comes after a visit.</p>
      )}
      {earlier.length > 0 && (
        <details>
          <summary>{`Earlier letters (${earlier.length})`}</summary>
          {earlier.map((l) => (
            <p key={l.path}>
              <a href={l.path}>{longDate(l.on)}</a> <span className="soft">{l.subject}</span>
            </p>
          ))}
        </details>
      )}
      <p>
        <a href={`/site-log?site=${part.page.siteId}`}>The log of all visits, to print or to keep</a>
      </p>
    </section>
  );
}
